import { Component } from 'react';

interface Props {
  /** Where one is: what broke there says nothing of another place. */
  at: string;
  children: React.ReactNode;
}

/** Shows what can be done where a page broke. */
export class Guard extends Component<Props, { wrong?: unknown; brokeAt?: string }> {
  override state: { wrong?: unknown; brokeAt?: string } = {};

  static getDerivedStateFromError(wrong: unknown) {
    return { wrong };
  }

  static getDerivedStateFromProps({ at }: Props, state: { wrong?: unknown; brokeAt?: string }) {
    if (state.wrong === undefined) return null;
    if (state.brokeAt === undefined) return { brokeAt: at };
    return state.brokeAt === at ? null : { wrong: undefined, brokeAt: undefined };
  }

  override render() {
    return this.state.wrong === undefined ? this.props.children : <Broken wrong={this.state.wrong} />;
  }
}

/** Nothing entered is lost, and there is a way on. */
function Broken({ wrong }: { wrong: unknown }) {
  return (
    <main className="walk p-3">
      <h1>This page broke</h1>
      <p>
        What was kept or is waiting to be sent is still there. Load the page again; if it breaks again, tell
        whoever runs this server what stands below.
      </p>
      <p className="d-flex gap-3">
        <a href={window.location.href}>Load it again</a>
        <a href="/">To the beginning</a>
      </p>
      <pre className="small faint">{wrong instanceof Error ? wrong.message : String(wrong)}</pre>
    </main>
  );
}
