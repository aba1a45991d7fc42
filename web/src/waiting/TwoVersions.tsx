import { Alert, Button } from 'react-bootstrap';
import type { Draft } from '../field/kept';
import { compare } from './compare';
import { Differences } from './Differences';

/** Two drafts of one walk, each with something the other has not: side by side, for somebody to choose. */
export function TwoVersions({
  mine,
  theirs,
  names,
  choose,
}: {
  mine: Draft;
  theirs: Draft;
  names: [string, string];
  choose: (mine: boolean) => void;
}) {
  return (
    <Alert variant="warning">
      <p>
        This walk was gone on with on two screens. Nothing of either is lost: look where they differ and go on
        with one.
      </p>
      <Differences found={compare(mine, theirs)} names={names} />
      <div className="d-grid gap-2">
        <Button style={{ minHeight: 48 }} onClick={() => choose(true)}>
          Go on with what is {names[0].toLowerCase()}
        </Button>
        <Button variant="outline-primary" style={{ minHeight: 48 }} onClick={() => choose(false)}>
          Go on with what is {names[1].toLowerCase()}
        </Button>
      </div>
    </Alert>
  );
}
