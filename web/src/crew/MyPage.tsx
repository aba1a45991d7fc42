import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Person } from '../api/client';
import { useMe, useRole } from '../api/me';
import { useSite, useTrees } from '../api/orchard';
import { DateInput } from '../parts/DateInput';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { TICKET_NAMES } from '../vocabulary/crew';
import { DayRow } from './DayRow';
import { Reached } from './Reached';
import { HoursPicture } from './HoursPicture';
import { useDays } from './dayQueries';
import { useChangePerson, useHours, usePeople } from './peopleQueries';

const ALL = { q: '', species: '', triage: '', sort: 'tag' };
const RUNS_OUT_SOON_MS = 60 * 86_400_000;

/** What concerns whoever is signed in at a site: an owner's trees; a helper's days, tickets and when they can come. */
export function MyPage() {
  const siteId = Number(useParams().siteId);
  const me = useMe().data?.signedIn;
  const role = useRole(siteId);
  const site = useSite(siteId);
  useTitle('My page');
  if (!me || !site.data) return <Loading error={site.error} />;
  return (
    <div className="walk">
      <h1>{me.name}</h1>
      <p className="faint">{site.data.data.name}</p>
      {role === 'owner' ? (
        <MyTrees siteId={siteId} />
      ) : (
        <MyWork siteId={siteId} personId={me.personId} today={site.data.today} />
      )}
    </div>
  );
}

function MyTrees({ siteId }: { siteId: number }) {
  const { trees, error } = useTrees(siteId, ALL);
  if (!trees) return <Loading error={error} />;
  return (
    <section aria-label="My trees">
      <h2>My trees</h2>
      {trees.length === 0 && <p>No tree is entered as yours yet. Ask a coordinator of this site.</p>}
      <ul className="list-unstyled">
        {trees.map((tree) => (
          <li key={tree.id} className="my-tree">
            <Link to={'/sites/' + siteId + '/trees/' + tree.id + '/owner'}>
              {tree.data.tag}, {words(tree.data.species)} {tree.data.cultivar}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function MyWork({ siteId, personId, today }: { siteId: number; personId: number; today: string }) {
  const days = useDays(siteId);
  const people = usePeople();
  const self = people.data?.find((one) => one.id === personId);
  if (!days.data || !self) return <Loading error={days.error ?? people.error} />;
  const mine = days.data.filter((day) => day.mine && day.on >= today).reverse();
  return (
    <>
      <section aria-label="My days">
        <h2>My days</h2>
        {mine.length === 0 && <p>You are on no day yet. Say below when you can come.</p>}
        <p>
          <Link to={'/sites/' + siteId + '/season#calendar-link'}>Have them in your calendar</Link>
        </p>
        {mine.map((day) => (
          <div key={day.id}>
            <DayRow day={day} siteId={siteId} />
            <Link to={'/sites/' + siteId + '/days/' + day.id + '/sheet'}>
              Which trees, why, and what to bring
            </Link>
          </div>
        ))}
      </section>
      <CanCome key={self.version} self={self} today={today} />
      <MyHours siteId={siteId} />
      <Reached personId={self.id} />
      <section aria-label="My tickets" className="mt-4">
        <h2>My tickets</h2>
        {self.tickets.length === 0 && <p>None is entered. Whoever coordinates here enters them.</p>}
        {self.tickets.map((ticket) => (
          <State
            key={ticket.ticket}
            code={
              ticket.until < today
                ? 'no'
                : Date.parse(ticket.until) - Date.parse(today) < RUNS_OUT_SOON_MS
                  ? 'with-care'
                  : 'yes'
            }
            word={
              TICKET_NAMES[ticket.ticket] +
              (ticket.until < today ? ', ran out ' : ' until ') +
              date(ticket.until)
            }
          />
        ))}
      </section>
    </>
  );
}

function MyHours({ siteId }: { siteId: number }) {
  const hours = useHours(siteId, true);
  if (!hours.data) return <Loading error={hours.error} />;
  return (
    <section aria-label="My hours" className="mt-4">
      <h2>My hours</h2>
      {hours.data.length === 0 ? <p>None yet.</p> : <HoursPicture hours={hours.data} mine />}
    </section>
  );
}

/** The days on which one can come, to be said by oneself. */
function CanCome({ self, today }: { self: Person; today: string }) {
  const change = useChangePerson(self.id);
  const [day, setDay] = useState('');
  const coming = self.canCome.filter((one) => one >= today);
  const keep = (canCome: string[]) =>
    change.mutate({
      version: self.version,
      data: {
        name: self.name,
        birthYear: self.birthYear,
        note: self.note,
        tickets: self.tickets,
        canCome: [...canCome].sort(),
      },
    });
  return (
    <section aria-label="When I can come" className="mt-4">
      <h2>When I can come</h2>
      <div className="chips">
        {coming.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed
            disabled={change.isPending}
            aria-label={'Not on ' + date(one) + ' after all'}
            onClick={() => keep(self.canCome.filter((other) => other !== one))}
          >
            {date(one)}
          </button>
        ))}
      </div>
      <form
        className="d-flex gap-2 align-items-end mt-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (day && !self.canCome.includes(day)) keep([...self.canCome, day]);
        }}
      >
        <DateInput label="A day on which I can come" value={day} onChange={setDay} />
        <Button type="submit" disabled={!day || change.isPending}>
          I can come
        </Button>
      </form>
      <ProblemAlert error={change.error} />
    </section>
  );
}
