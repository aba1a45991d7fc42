import { type FormEvent, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { SignedIn } from '../api/client';
import { useChangePassword, useSignOut } from '../api/me';
import { forgetWhoWasHere } from '../field/handOver';
import { Icon } from '../parts/Icon';
import { keepUnits, unitsOf } from '../parts/measure';
import { ProblemAlert } from '../parts/ProblemAlert';
import { ROLES } from '../vocabulary/people';
import { LoginField, PasswordField } from './Join';
import { OverAll } from './OverAll';
import { useWaits } from './SignIn';

/** Whoever is signed in: how they measure, their password, and the way out. */
export function Account({ who }: { who: SignedIn }) {
  const [open, setOpen] = useState(false);
  const opener = useRef<HTMLButtonElement>(null);
  const close = () => {
    setOpen(false);
    opener.current?.focus();
  };
  return (
    <>
      <button
        ref={opener}
        type="button"
        className="to-find"
        aria-label={who.name}
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
      >
        <Icon name="person" /> <span>{who.name}</span>
      </button>
      {open && (
        <OverAll name={who.name} close={close}>
          <div className="p-3">
            <h2 className="mt-0">{who.name}</h2>
            <ul className="list-unstyled small faint">
              {who.places.map((place) => (
                <li key={place.siteId}>
                  {place.siteName}: {ROLES[place.role]?.toLowerCase()}
                </li>
              ))}
            </ul>
            <Measuring person={String(who.personId)} />
            <NewPassword who={who} />
            <WayOut />
            <Button variant="link" className="p-0" onClick={close} autoFocus>
              Close
            </Button>
          </div>
        </OverAll>
      )}
    </>
  );
}

function Measuring({ person }: { person: string }) {
  return (
    <fieldset className="walk-field">
      <legend>Lengths and weights in</legend>
      <div className="chips">
        {(['metric', 'imperial'] as const).map((units) => (
          <button
            key={units}
            type="button"
            aria-pressed={unitsOf(person) === units}
            onClick={() => {
              keepUnits(person, units);
              // Everything shown is read anew: sentences come from the server in these units.
              window.location.reload();
            }}
          >
            {units === 'metric' ? 'metres, kilos' : 'feet, inches, pounds'}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function NewPassword({ who }: { who: SignedIn }) {
  const change = useChangePassword();
  const [open, setOpen] = useState(false);
  const [old, setOld] = useState('');
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  if (!open)
    return (
      <p className="mt-3 mb-2">
        {who.login && <span className="faint">Your login is {who.login}. </span>}
        <Button variant="link" className="p-0" onClick={() => setOpen(true)}>
          {who.login ? 'Change the password' : 'Set a login and a password'}
        </Button>
        {change.isSuccess && <span role="status"> Changed; other phones are signed out.</span>}
      </p>
    );
  const submit = (e: FormEvent) => {
    e.preventDefault();
    change.mutate(
      { old: old || undefined, login: login || undefined, password },
      { onSuccess: () => setOpen(false) },
    );
  };
  return (
    <Form onSubmit={submit} className="mt-3">
      {who.login ? (
        <Form.Group controlId="old-password" className="mb-2">
          <Form.Label>The password you have</Form.Label>
          <Form.Control
            type="password"
            value={old}
            autoComplete="current-password"
            onChange={(e) => setOld(e.target.value)}
          />
        </Form.Group>
      ) : (
        <LoginField login={login} setLogin={setLogin} />
      )}
      <PasswordField label="A new password" fresh password={password} setPassword={setPassword} />
      <Button type="submit" size="sm" disabled={!password || change.isPending}>
        Set it
      </Button>
      <ProblemAlert error={change.error} />
    </Form>
  );
}

/** Signing out; a phone that is handed over shows nothing of who had it before. What waits is asked about first. */
function WayOut() {
  const signOut = useSignOut();
  const waits = useWaits();
  const [sure, setSure] = useState(false);
  const go = (everywhere: boolean) =>
    signOut.mutate(everywhere, {
      onSuccess: () => void forgetWhoWasHere().finally(() => window.location.assign('/')),
    });
  if (waits && !sure)
    return (
      <p className="mt-3">
        {waits} and not yet sent. Signed out it stays here, for you alone, and is sent when you sign in again.{' '}
        <Button variant="link" className="p-0" onClick={() => setSure(true)}>
          Sign out all the same
        </Button>
      </p>
    );
  return (
    <p className="d-flex gap-2 mt-3">
      <Button variant="outline-primary" size="sm" disabled={signOut.isPending} onClick={() => go(false)}>
        Sign out
      </Button>
      <Button variant="link" size="sm" disabled={signOut.isPending} onClick={() => go(true)}>
        Sign out everywhere
      </Button>
      <ProblemAlert error={signOut.error} />
    </p>
  );
}
