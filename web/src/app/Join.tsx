import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { api, unwrap } from '../api/client';
import { useAccept, useBeFirst, useMe } from '../api/me';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { ROLES } from '../vocabulary/people';

/** The secret stands behind the # of the address: no server and no page before sees it. */
const secret = () => window.location.hash.slice(1);

/** Coming in by an invitation; the first coordinator of all too. */
export function Join() {
  useTitle('Come in');
  const [token] = useState(secret);
  const look = useQuery({
    queryKey: ['invitation', token],
    queryFn: async () => unwrap(await api.POST('/api/invitations/look', { body: { token } })),
    staleTime: Infinity,
    retry: false,
  });
  if (!look.data) return <Loading error={look.error} />;
  return (
    <div className="mx-auto sign-in">
      {look.data.kind === 'first' ? <First token={token} /> : <Accept token={token} look={look.data} />}
    </div>
  );
}

type Look = {
  kind: string;
  name?: string | null;
  siteName?: string | null;
  role?: string | null;
  wantsPassword: boolean;
  login?: string | null;
};

function Accept({ token, look }: { token: string; look: Look }) {
  const me = useMe().data?.signedIn;
  const accept = useAccept();
  const navigate = useNavigate();
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const another = look.kind === 'password';
  const asked = look.wantsPassword || !!look.login;
  const go = (asMe: boolean) =>
    accept.mutate(
      { token, asMe, login: login.trim() || undefined, password: password || undefined },
      { onSuccess: () => navigate('/', { replace: true }) },
    );
  const submit = (e: FormEvent) => {
    e.preventDefault();
    go(false);
  };
  return (
    <>
      <h1>{another ? 'Another password' : 'Welcome, ' + look.name}</h1>
      {!another && (
        <p>
          You are invited to {look.siteName} as {ROLES[look.role ?? '']?.toLowerCase()}.{' '}
          {!asked && 'This phone will be let in; no password is needed.'}
        </p>
      )}
      {me && me.name !== look.name && !another && (
        <p>
          <Button variant="outline-primary" disabled={accept.isPending} onClick={() => go(true)}>
            Join as {me.name}, who is signed in here
          </Button>
        </p>
      )}
      <Form onSubmit={submit}>
        {asked && !look.login && <LoginField login={login} setLogin={setLogin} />}
        {asked && (
          <PasswordField
            label={look.login && !another ? 'The password of ' + look.login : 'A password'}
            fresh={another || !look.login}
            password={password}
            setPassword={setPassword}
          />
        )}
        <Button type="submit" disabled={accept.isPending || (asked && !password)}>
          {another ? 'Set it' : 'Come in'}
        </Button>
        <ProblemAlert error={accept.error} />
      </Form>
    </>
  );
}

function First({ token }: { token: string }) {
  const beFirst = useBeFirst();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    beFirst.mutate({ token, name, login, password }, { onSuccess: () => navigate('/', { replace: true }) });
  };
  return (
    <Form onSubmit={submit}>
      <h1>The first coordinator</h1>
      <p>You decide who else comes in. Everybody else is invited by you.</p>
      <Form.Group controlId="first-name" className="mb-2">
        <Form.Label>Your name</Form.Label>
        <Form.Control
          value={name}
          maxLength={80}
          autoComplete="name"
          onChange={(e) => setName(e.target.value)}
        />
      </Form.Group>
      <LoginField login={login} setLogin={setLogin} />
      <PasswordField label="A password" fresh password={password} setPassword={setPassword} />
      <Button type="submit" disabled={beFirst.isPending || !name.trim() || !login.trim() || !password}>
        Begin
      </Button>
      <ProblemAlert error={beFirst.error} />
    </Form>
  );
}

export function LoginField({ login, setLogin }: { login: string; setLogin: (login: string) => void }) {
  return (
    <Form.Group controlId="new-login" className="mb-2">
      <Form.Label>Your login; a mail address is a good one</Form.Label>
      <Form.Control
        value={login}
        maxLength={120}
        autoComplete="username"
        autoCapitalize="none"
        onChange={(e) => setLogin(e.target.value)}
      />
    </Form.Group>
  );
}

export function PasswordField({
  label,
  fresh,
  password,
  setPassword,
}: {
  label: string;
  /** Whether it is chosen here rather than known. */
  fresh: boolean;
  password: string;
  setPassword: (password: string) => void;
}) {
  return (
    <Form.Group controlId="new-password" className="mb-3">
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type="password"
        value={password}
        maxLength={200}
        autoComplete={fresh ? 'new-password' : 'current-password'}
        onChange={(e) => setPassword(e.target.value)}
      />
      {fresh && (
        <Form.Text>At least 12 letters: three or four words that do not belong together are good.</Form.Text>
      )}
    </Form.Group>
  );
}
