import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { SiteData } from '../api/client';
import { useAddSite, useChangeSite, useSite } from '../api/orchard';
import { showRefused } from '../parts/fields';
import { FieldInput } from '../parts/formOf';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { SCHOOLS } from '../vocabulary/orchard';
import { Climate } from './Climate';
import { POLICY_FIELDS, SITE_FIELDS } from './siteFields';
import { at, dataOf, EMPTY, type Fields, fieldsOf, schema } from './siteForm';
import { ArchiveUpload, PlantSample } from './Welcome';

export function AddSite() {
  const navigate = useNavigate();
  const add = useAddSite();
  const table = useSearchParams()[0].get('then') === 'bulk';
  useTitle('New site');
  return (
    <>
      <SiteFields
        title="Add a site"
        start={EMPTY}
        error={add.error}
        saving={add.isPending}
        save={(data) =>
          add.mutateAsync(data).then((site) => navigate('/sites/' + site.id + (table ? '/bulk' : '')))
        }
      />
      <hr />
      <p>
        Or bring in a site with its trees and surveys from an archive, or plant a made-up one to play with.
      </p>
      <div className="d-flex flex-wrap gap-2">
        <ArchiveUpload />
        <PlantSample variant="outline-primary" />
      </div>
    </>
  );
}

export function EditSite() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const change = useChangeSite(siteId);
  const navigate = useNavigate();
  useTitle(site.data && site.data.data.name);
  if (!site.data) return <Loading error={site.error} />;
  const { version, data } = site.data;
  return (
    <>
      <SiteFields
        key={version}
        title={data.name}
        start={fieldsOf(data)}
        error={change.error}
        saving={change.isPending}
        save={(changed) =>
          change.mutateAsync({ version, data: changed }).then(() => navigate('/sites/' + siteId))
        }
        siteId={siteId}
      />
      <hr />
      <p>
        <Link to={'/sites/' + siteId + '/figures'}>Numbers the rules go by</Link>: each with where it comes
        from, and what this site goes by instead.{' '}
        <Link to={'/sites/' + siteId + '/bulk'}>Trees in and out</Link>: many at once, as a table or a map.{' '}
        <Link to={'/sites/' + siteId + '/labels'}>Labels</Link> to hang on the trees, each with a code that
        opens it. <Link to={'/sites/' + siteId + '/people'}>People</Link>: who helps, what each may do, and
        who comes in. <Link to={'/sites/' + siteId + '/history'}>History</Link>: who changed what, before and
        after.
      </p>
      <h2>Keep a copy</h2>
      <p>
        The archive holds the site with everything that is known of it: trees, surveys, plans, decisions,
        days, logs, photos, people and who changed what, in an open format that can be brought in again. It
        holds birth years and notes of people too: keep it where you keep such things. Nobody can sign in by
        it.
      </p>
      <a className="btn btn-outline-primary me-2" href={'/api/sites/' + siteId + '/archive.zip'} download>
        Download the archive
      </a>
      <a className="btn btn-link" href={'/api/sites/' + siteId + '/archive'} download>
        without its photos (JSON)
      </a>
    </>
  );
}

function SiteFields({
  title,
  start,
  error,
  saving,
  save,
  siteId,
}: {
  title: string;
  start: Fields;
  error: unknown;
  saving: boolean;
  save: (data: SiteData) => Promise<unknown>;
  siteId?: number;
}) {
  const form = useForm<Fields>({ resolver: zodResolver(schema), defaultValues: start });
  const submit = form.handleSubmit((fields) =>
    save(dataOf(fields)).catch((refused: unknown) => showRefused(refused, form.setError, at)),
  );
  return (
    <Form onSubmit={submit} noValidate>
      <h1>{title}</h1>
      <ProblemAlert error={error} withFields={false} />
      <Row>
        {SITE_FIELDS.filter((field) => field.name !== 'policyNote').map((field) => (
          <Col key={field.name} sm={4} md={field.kind === 'number' ? 2 : 4}>
            <FieldInput form={form} field={field} under="site." />
          </Col>
        ))}
      </Row>
      <Climate form={form} siteId={siteId} />
      <details open={siteId !== undefined}>
        <summary>
          <h2 className="d-inline-block">Where practitioners differ</h2>
        </summary>
        <p className="faint small">As the careful have it, until you choose otherwise.</p>
        <Row>
          {POLICY_FIELDS.map((field) => (
            <Col
              key={field.name}
              sm={field.name in SCHOOLS ? undefined : 6}
              md={field.name in SCHOOLS ? 6 : 3}
            >
              <FieldInput form={form} field={field} under="policy." />
            </Col>
          ))}
        </Row>
        {SITE_FIELDS.filter((field) => field.name === 'policyNote').map((field) => (
          <FieldInput key={field.name} form={form} field={field} under="site." />
        ))}
      </details>
      <Button type="submit" disabled={saving}>
        Save
      </Button>{' '}
      <Link className="btn btn-link" to={siteId ? '/sites/' + siteId : '/'}>
        Leave without saving
      </Link>
    </Form>
  );
}
