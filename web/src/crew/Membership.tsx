import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Invitation, Member } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { Qr } from '../parts/Qr';
import { date } from '../parts/format';
import { ROLE_MEANS, ROLES } from '../vocabulary/people';
import {
  useChangeMember,
  useInvitations,
  useInvite,
  useMemberLeft,
  useSignMemberOut,
  useTakeBackInvitation,
} from './peopleQueries';

/** What a member is at a site, and how they come in. */
export function Membership({ siteId, member }: { siteId: number; member: Member }) {
  const change = useChangeMember(siteId, member.personId);
  const left = useMemberLeft(siteId, member.personId);
  const out = useSignMemberOut(siteId, member.personId);
  const invite = useInvite(siteId);
  const open = useInvitations(siteId).data?.filter((one) => one.personId === member.personId) ?? [];
  const takeBack = useTakeBackInvitation();
  const [made, setMade] = useState<Invitation>();
  const set = (role: string, maySurvey: boolean) => change.mutate({ role, maySurvey });
  const make = (kind: string) => invite.mutate({ personId: member.personId, kind }, { onSuccess: setMade });
  return (
    <section aria-label={'Rights of ' + member.name} className="mt-3">
      <h3>Here as</h3>
      <div className="chips">
        {Object.entries(ROLES).map(([role, name]) => (
          <button
            key={role}
            type="button"
            aria-pressed={member.role === role}
            disabled={change.isPending}
            onClick={() => set(role, member.maySurvey)}
          >
            {name}
          </button>
        ))}
      </div>
      <p className="faint small">{ROLE_MEANS[member.role]}</p>
      {member.role === 'volunteer' && (
        <Form.Check
          id={'walks-' + member.personId}
          label="may walk trees and enter what they see"
          checked={member.maySurvey}
          onChange={(e) => set(member.role, e.target.checked)}
        />
      )}
      <h3>Coming in</h3>
      <p>
        {member.login
          ? 'Signs in as ' + member.login + '.'
          : member.comesIn
            ? 'A phone of theirs is let in.'
            : 'Does not sign in yet.'}
      </p>
      {open.map((one) => (
        <p key={one.id} className="small">
          Invited, good until {date(one.goodUntil.slice(0, 10))}.{' '}
          <Button variant="link" size="sm" className="p-0" onClick={() => takeBack.mutate(one.id)}>
            Take it back
          </Button>
        </p>
      ))}
      <div className="d-flex flex-wrap gap-2">
        {!(member.login && member.comesIn) && (
          <Button
            size="sm"
            variant="outline-primary"
            disabled={invite.isPending}
            onClick={() => make('join')}
          >
            {member.comesIn ? 'Let another phone in' : 'Invite'}
          </Button>
        )}
        {member.login && (
          <Button
            size="sm"
            variant="outline-primary"
            disabled={invite.isPending}
            onClick={() => make('password')}
          >
            Another password
          </Button>
        )}
        {member.comesIn && (
          <Button size="sm" variant="link" disabled={out.isPending} onClick={() => out.mutate(undefined)}>
            A phone was lost: sign them out
          </Button>
        )}
        <Button size="sm" variant="link" disabled={left.isPending} onClick={() => left.mutate(undefined)}>
          No longer at this site
        </Button>
      </div>
      {out.isSuccess && <p role="status">Signed out on every phone.</p>}
      {made && <WayIn made={made} name={member.name} />}
      <ProblemAlert error={change.error ?? invite.error ?? left.error ?? out.error ?? takeBack.error} />
    </section>
  );
}

/** A way in, shown this once: as an address to be sent, and as a code to be scanned. */
function WayIn({ made, name }: { made: Invitation; name: string }) {
  const address = window.location.origin + made.path;
  return (
    <div className="way-in" role="status">
      <p>
        Give this to {name} and nobody else; it works once, until {date(made.goodUntil.slice(0, 10))}, and is
        not shown again.
      </p>
      <Form.Control
        readOnly
        aria-label="Address to come in by"
        value={address}
        onFocus={(e) => e.target.select()}
      />
      <Qr rows={made.qrRows} />
    </div>
  );
}
