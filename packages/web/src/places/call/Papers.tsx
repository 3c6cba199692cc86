import { Link } from 'react-router';

/** What the call leaves on paper. */
export const Papers = ({ call }: { readonly call: string }) => (
  <p>
    <Link to={`/calls/${call}/report`}>Report</Link> ·{' '}
    <Link to={`/calls/${call}/report?for=handover`}>Handover card</Link>
  </p>
);
