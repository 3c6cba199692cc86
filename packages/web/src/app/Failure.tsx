import { useRouteError } from 'react-router';

/** Shown when a page breaks: what was typed is safe, and what to do. */
export function Failure() {
  const error = useRouteError();
  console.error(error);
  return (
    <main className="failure">
      <h1>This page broke</h1>
      <p>
        What you entered is kept on this device. Load the page again; if it breaks again, go to Today and open the call
        from there.
      </p>
      <p>
        <button type="button" onClick={() => location.reload()}>
          Load again
        </button>{' '}
        <a href="/">Today</a>
      </p>
    </main>
  );
}
