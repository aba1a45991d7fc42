import { useRouteError } from 'react-router';

/** Shown where a page broke: nothing entered is lost, and there is a way on. */
export function Broken() {
  const wrong = useRouteError();
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
