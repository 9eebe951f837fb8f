import { useQueryClient } from '@tanstack/react-query';
import { Camera, ImagePlus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import {
  Button as AriaButton,
  Dialog,
  DialogTrigger,
  FileTrigger,
  Heading,
  Input,
  Label,
  TextField,
} from 'react-aria-components';
import styled from 'styled-components';
import { addPicture, deletePicture, pictureUrl, restorePicture, sayAlt, type Picture } from '../api/pictures';
import { Button } from '../ui/Button';
import { fieldBox, labelled } from '../ui/field';
import { Card, Quiet } from '../ui/layout';
import { Box, Over } from '../ui/modal';
import { complain, say } from '../ui/toast';

const Block = styled(Card)`
  display: grid;
  gap: 10px;
`;

const Grid = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 8px;
`;

const Thumb = styled(AriaButton)`
  display: block;
  width: 100%;
  aspect-ratio: 1;
  padding: 0;
  border: 0;
  border-radius: 10px;
  overflow: hidden;
  background: var(--soft);
  cursor: pointer;
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
    display: block;
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

// Where there is no finger there is no camera to hold.
const ByFinger = styled.span`
  display: none;
  @media (pointer: coarse) {
    display: contents;
  }
`;

const Wide = styled(Box)`
  max-width: min(980px, 100%);
`;

const Inside = styled(Dialog)`
  display: grid;
  gap: 12px;
  padding: 14px;
  outline: none;
  h2 {
    font-size: 17px;
  }
  img {
    display: block;
    max-width: 100%;
    max-height: calc(100dvh - 250px);
    width: auto;
    height: auto;
    margin: 0 auto;
    border-radius: 10px;
  }
`;

const Words = styled(TextField)`
  ${labelled}
  input {
    ${fieldBox}
  }
`;

const kinds = ['image/jpeg', 'image/png', 'image/webp'];

interface Props {
  cook: string;
  name: string;
  pictures: Picture[];
  /** What the part is called, where there are several. */
  title?: string;
}

/** Pictures of a cook: taken or chosen, looked at, put in words, taken out. */
export function Pictures({ cook, name, pictures, title = 'Pictures' }: Props) {
  const queries = useQueryClient();
  const [sending, setSending] = useState(0);
  const again = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ['cook', cook] }),
      queries.invalidateQueries({ queryKey: ['cooks'] }),
    ]);
  const send = async (list: FileList | null) => {
    const files = [...(list ?? [])];
    setSending((n) => n + files.length);
    for (const file of files) {
      try {
        await addPicture(cook, file);
        await again();
      } catch (cause) {
        complain(cause);
      } finally {
        setSending((n) => n - 1);
      }
    }
  };
  const remove = async (p: Picture) => {
    try {
      await deletePicture(p.id);
      await again();
      say('The picture is out of the logbook.', {
        label: 'Bring it back',
        run: () => void restorePicture(p.id).then(again, complain),
      });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <Block aria-label={title}>
      <h2>{title}</h2>
      {pictures.length > 0 ? (
        <Grid>
          {pictures.map((p, i) => (
            <li key={p.id}>
              <DialogTrigger>
                <Thumb aria-label={`Open the picture: ${p.alt || `${name}, ${i + 1}`}`}>
                  <img src={pictureUrl(p.id, 'small')} alt="" loading="lazy" />
                </Thumb>
                <Over isDismissable>
                  <Wide>
                    <Inside>
                      {({ close }) => (
                        <Large
                          picture={p}
                          title={`${name}, picture ${i + 1} of ${pictures.length}`}
                          close={close}
                          changed={again}
                          remove={() => {
                            close();
                            void remove(p);
                          }}
                        />
                      )}
                    </Inside>
                  </Wide>
                </Over>
              </DialogTrigger>
            </li>
          ))}
        </Grid>
      ) : (
        <Quiet>How it looked. What a camera writes beside a picture, such as where you are, is not kept.</Quiet>
      )}
      <Row>
        <ByFinger>
          <FileTrigger acceptedFileTypes={kinds} defaultCamera="environment" onSelect={(l) => void send(l)}>
            <Button>
              <Camera size={17} aria-hidden /> Take one
            </Button>
          </FileTrigger>
        </ByFinger>
        <FileTrigger acceptedFileTypes={kinds} allowsMultiple onSelect={(l) => void send(l)}>
          <Button>
            <ImagePlus size={17} aria-hidden /> Choose pictures
          </Button>
        </FileTrigger>
      </Row>
      {sending > 0 ? <Quiet role="status">{sending === 1 ? 'One is' : `${sending} are`} on the way…</Quiet> : null}
    </Block>
  );
}

interface LargeProps {
  picture: Picture;
  title: string;
  close: () => void;
  changed: () => Promise<unknown>;
  remove: () => void;
}

function Large({ picture, title, close, changed, remove }: LargeProps) {
  const [alt, setAlt] = useState(picture.alt);
  const keep = async () => {
    if (alt.trim() === picture.alt) return;
    try {
      await sayAlt(picture.id, alt.trim());
      await changed();
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <>
      <Heading slot="title" level={2}>
        {title}
      </Heading>
      <img
        src={pictureUrl(picture.id, 'full')}
        alt={picture.alt || 'not put in words yet'}
        width={picture.width}
        height={picture.height}
      />
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void keep().then(close);
        }}
      >
        <Words value={alt} onChange={setAlt} onBlur={() => void keep()} maxLength={300}>
          <Label>What is seen on it, for those who do not see it</Label>
          <Input />
        </Words>
      </form>
      <Row>
        <Button onPress={close}>Close</Button>
        <Button onPress={remove}>
          <Trash2 size={16} aria-hidden /> Take it out
        </Button>
      </Row>
    </>
  );
}
