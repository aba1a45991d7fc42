import { Button, Form } from 'react-bootstrap';
import { date } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useCalendarLink, useEndCalendarLink, useMakeCalendarLink } from './queries';

function Address({ label, path }: { label: string; path?: string }) {
  return (
    <Form.Group className="mb-2">
      <Form.Label htmlFor={'follow-' + path}>{label}</Form.Label>
      <Form.Control
        id={'follow-' + path}
        readOnly
        value={window.location.origin + path}
        onFocus={(e) => e.target.select()}
      />
    </Form.Group>
  );
}

/** The windows in a calendar program: as a file, or followed by an address of one's own. */
export function CalendarLink({ siteId }: { siteId: number }) {
  const link = useCalendarLink(siteId);
  const make = useMakeCalendarLink(siteId);
  const end = useEndCalendarLink(siteId);
  const there = link.data?.madeAt;
  return (
    <section className="no-print mt-4" aria-labelledby="calendar-link">
      <h2 id="calendar-link">In your calendar</h2>
      <p>
        <a href={'/api/sites/' + siteId + '/season.ics'}>Take the year as it is now (.ics)</a>, or have your
        calendar program follow it and the work days you are on. Such a program cannot sign in, so it asks by
        an address of your own: whoever has that sees when which kind may be cut and when you work here, and
        nobody&rsquo;s name.
      </p>
      {make.data?.path ? (
        <div role="status">
          <p>Give these to your calendar program; they are not shown again.</p>
          <Address label="Your work days here" path={make.data.daysPath} />
          <Address label="The year of the orchard" path={make.data.path} />
        </div>
      ) : (
        there && <p>It is followed by an address made on {date(there.slice(0, 10))}.</p>
      )}
      <div className="d-flex flex-wrap gap-2 my-2">
        <Button size="sm" variant="outline-primary" disabled={make.isPending} onClick={() => make.mutate()}>
          {there ? 'Make another address' : 'Make an address'}
        </Button>
        {there && (
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={end.isPending}
            onClick={() => end.mutate(undefined, { onSuccess: () => make.reset() })}
          >
            End it
          </Button>
        )}
      </div>
      <ProblemAlert error={make.error ?? end.error ?? link.error} />
    </section>
  );
}
