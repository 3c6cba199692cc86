import { useRouteError } from 'react-router';
import { Button } from '../kit/Button';
import { Failure } from '../kit/Failure';

/** Shown when a page breaks: what was typed is safe, and what to do. */
export function PageBroke() {
  const error = useRouteError();
  console.error(error);
  return (
    <Failure title="This page broke">
      <p>
        What you entered is kept on this device. Load the page again; if it breaks again, go to Today and open the call
        from there.
      </p>
      <p>
        <Button tone="main" onClick={() => location.reload()}>
          Load again
        </Button>{' '}
        <a href="/">Today</a>
      </p>
    </Failure>
  );
}
