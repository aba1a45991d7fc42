import { type FormEvent, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Me } from '../api/client';
import { useBeDemoPerson, useForgotten, useSignIn } from '../api/me';
import { useWaiting } from '../field/useWaiting';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { ROLES } from '../vocabulary/people';

/** What waits on this phone, as the line says it. */
export function useWaits(): string {
  const waiting = useWaiting().data;
  const count = (waiting?.open.length ?? 0) + (waiting?.ofOthers ?? 0);
  if (count === 0) return '';
  return count === 1 ? '1 thing waits on this phone' : count + ' things wait on this phone';
}

/** The way in: by login and password, or in the demo as one of its people. */
export function SignIn({ me }: { me: Me }) {
  useTitle('Sign in');
  const waits = useWaits();
  const bePerson = useBeDemoPerson();
  return (
    <div className="mx-auto sign-in">
      <h1>Sign in</h1>
      {waits && <p>{waits}. Nothing of it is lost: it is sent once whoever entered it has signed in.</p>}
      {me.demo.length > 0 && (
        <section aria-label="Try the demo">
          <h2>Try the demo as</h2>
          <div className="chips">
            {me.demo.map((one) => (
              <button
                key={one.name}
                type="button"
                disabled={bePerson.isPending}
                onClick={() => bePerson.mutate(one.name)}
              >
                {one.name}, {ROLES[one.role]?.toLowerCase()}
              </button>
            ))}
          </div>
          <p className="faint small">Made-up people; this is offered on this machine only.</p>
          <ProblemAlert error={bePerson.error} />
        </section>
      )}
      {me.begun ? (
        <SignInForm />
      ) : (
        <p>
          Nobody coordinates here yet. Open the address that <code>./run</code> printed when it started: by it
          the first coordinator comes in.
        </p>
      )}
    </div>
  );
}

function SignInForm() {
  const signIn = useSignIn();
  const forgotten = useForgotten();
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    signIn.mutate({ login, password });
  };
  return (
    <Form onSubmit={submit}>
      <Form.Group controlId="login" className="mb-2">
        <Form.Label>Login</Form.Label>
        <Form.Control
          value={login}
          autoComplete="username"
          autoCapitalize="none"
          maxLength={120}
          onChange={(e) => setLogin(e.target.value)}
        />
      </Form.Group>
      <Form.Group controlId="password" className="mb-3">
        <Form.Label>Password</Form.Label>
        <Form.Control
          type="password"
          value={password}
          autoComplete="current-password"
          maxLength={200}
          onChange={(e) => setPassword(e.target.value)}
        />
      </Form.Group>
      <Button type="submit" disabled={!login.trim() || !password || signIn.isPending}>
        Sign in
      </Button>{' '}
      <Button
        variant="link"
        disabled={!login.trim() || forgotten.isPending}
        onClick={() => forgotten.mutate(login)}
      >
        Forgotten
      </Button>
      {forgotten.isSuccess && (
        <p role="status">
          If there is such a login, its coordinators see now that you cannot get in. They give you an address
          by which you set another password.
        </p>
      )}
      <ProblemAlert error={signIn.error ?? forgotten.error} />
      <p className="faint small mt-3">
        New here? A coordinator invites you by an address or a code to be scanned.
      </p>
    </Form>
  );
}
