import { Component, type ReactNode } from 'react';
import { AGAIN_MS } from '../api/client';
import { Button } from './Button';
import { Blank, Page, Quiet } from './layout';

/** How browsers say that a script could not be had. */
const unfetched = /dynamically imported|module script|could not be had/;

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

  private timer = 0;

  // A script that could not be fetched is fetched when the line is back.
  override componentDidUpdate() {
    window.clearTimeout(this.timer);
    if (this.state.failed && unfetched.test(this.state.failed.message))
      this.timer = window.setTimeout(() => this.setState({ failed: null }), AGAIN_MS);
  }

  override componentWillUnmount() {
    window.clearTimeout(this.timer);
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
