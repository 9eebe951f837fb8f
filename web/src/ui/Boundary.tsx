import { Component, type ReactNode } from 'react';
import { Button } from './Button';
import { Blank, Page, Quiet } from './layout';

interface Props {
  /** A new one is tried afresh: the address. */
  at: string;
  children: ReactNode;
}

interface State {
  failed: Error | null;
  at: string;
}

/** Keeps a view that fails from taking the others with it. */
export class Boundary extends Component<Props, State> {
  override state: State = { failed: null, at: this.props.at };

  static getDerivedStateFromError(failed: Error): Partial<State> {
    return { failed };
  }

  static getDerivedStateFromProps({ at }: Props, state: State): Partial<State> | null {
    return at === state.at ? null : { failed: null, at };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <Page>
        <Blank title="This page could not be shown">
          <Quiet>
            Nothing that you entered is lost. The kitchen computer may be away, or has a newer version: try it again.
          </Quiet>
          <Button onPress={() => window.location.reload()}>Try again</Button>
        </Blank>
      </Page>
    );
  }
}
