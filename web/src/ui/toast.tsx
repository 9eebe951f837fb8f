import { X } from 'lucide-react';
import {
  Button,
  UNSTABLE_Toast as AriaToast,
  UNSTABLE_ToastContent as ToastContent,
  UNSTABLE_ToastQueue as ToastQueue,
  UNSTABLE_ToastRegion as ToastRegion,
  Text,
} from 'react-aria-components';
import styled from 'styled-components';
import { Refusal } from '../api/client';
import { at } from '../theme/tokens';

interface Message {
  text: string;
  detail?: string;
  action?: { label: string; run: () => void };
}

const queue = new ToastQueue<Message>({ maxVisibleToasts: 2 });

/** Says something in passing; with an action, such as taking it back. */
export function say(text: string, action?: Message['action']) {
  queue.add({ text, action }, { timeout: action ? 10000 : 6000 });
}

/** Says what went wrong, what is kept and what to do. */
export function complain(cause: unknown, action?: Message['action']) {
  if (cause instanceof Refusal) queue.add({ text: cause.name, detail: cause.message, action }, { timeout: 12000 });
  else
    queue.add(
      { text: 'That went wrong here', detail: 'Nothing you entered is lost. Try again.', action },
      { timeout: 12000 },
    );
}

const Region = styled(ToastRegion<Message>)`
  position: fixed;
  left: 50%;
  bottom: 20px;
  transform: translateX(-50%);
  ${at.phone} {
    bottom: 76px;
  }
  display: grid;
  gap: 8px;
  width: min(480px, calc(100vw - 24px));
  z-index: 50;
  outline: none;
`;

const Note = styled(AriaToast<Message>)`
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 10px 10px 10px 16px;
  border-radius: 12px;
  background: var(--ink);
  color: var(--paper);
  outline: none;
`;

const Content = styled(ToastContent)`
  flex: 1;
  display: grid;
  white-space: pre-line;
`;

const Act = styled(Button)`
  min-height: 40px;
  padding: 0 14px;
  border: 0;
  border-radius: 9px;
  background: var(--lemon);
  color: var(--on-lemon);
  font-weight: 600;
  cursor: pointer;
`;

const Close = styled(Act)`
  background: transparent;
  color: inherit;
  padding: 0 8px;
`;

export function Toasts() {
  return (
    <Region queue={queue}>
      {({ toast }) => (
        <Note toast={toast}>
          <Content>
            <Text slot="title">{toast.content.text}</Text>
            {toast.content.detail ? <Text slot="description">{toast.content.detail}</Text> : null}
          </Content>
          {toast.content.action ? (
            <Act
              onPress={() => {
                toast.content.action?.run();
                queue.close(toast.key);
              }}
            >
              {toast.content.action.label}
            </Act>
          ) : null}
          <Close slot="close" aria-label="Dismiss">
            <X size={18} aria-hidden />
          </Close>
        </Note>
      )}
    </Region>
  );
}
