import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { z } from 'zod';
import type { SiteData } from '../api/client';
import { decimal, SelectField, showRefused, TextField } from '../parts/fields';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { useAddSite, useChangeSite, useSite } from '../api/orchard';
import { ArchiveUpload } from './Welcome';
import { MONTHS, SCHOOLS } from '../vocabulary/orchard';

const between = (low: number, high: number, what: string) =>
  z.string().refine((text) => {
    const value = decimal(text);
    return value !== null && value >= low && value <= high;
  }, `Give ${what} from ${low} to ${high}.`);

const betweenOrNone = (low: number, high: number, what: string) =>
  z.string().refine((text) => {
    const value = decimal(text);
    return !text.trim() || (value !== null && value >= low && value <= high);
  }, `Give ${what} from ${low} to ${high}, or nothing.`);

const schema = z.object({
  name: z.string().trim().min(1, 'Give the site a name.').max(80, 'Give at most 80 letters.'),
  latitude: between(-90, 90, 'degrees'),
  longitude: between(-180, 180, 'degrees'),
  timeZone: z.string().min(1, 'Choose one.'),
  monthlyMeanC: z.array(between(-60, 50, 'degrees')),
  monthlyRainMm: z.array(between(0, 3000, 'mm')),
  monthlyMinC: z.array(betweenOrNone(-70, 50, 'degrees')),
  monthlyMaxC: z.array(betweenOrNone(-60, 60, 'degrees')),
  policyNote: z.string().max(500, 'Give at most 500 letters.'),
  policy: z.object({
    allowance: z.string(),
    summerAllowance: between(0, 34, 'a percentage'),
    bigCuts: z.string(),
    pome: z.string(),
    apricot: z.string(),
    peach: z.string(),
    fig: z.string(),
    bend: z.string(),
    sealing: z.string(),
    inGrowth: z.string(),
  }),
});
type Fields = z.infer<typeof schema>;

const EMPTY: Fields = {
  name: '',
  latitude: '',
  longitude: '',
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  monthlyMeanC: MONTHS.map(() => ''),
  monthlyRainMm: MONTHS.map(() => ''),
  monthlyMinC: MONTHS.map(() => ''),
  monthlyMaxC: MONTHS.map(() => ''),
  policyNote: '',
  policy: {
    allowance: 'quarter',
    summerAllowance: '10',
    bigCuts: '3',
    pome: 'late-winter',
    apricot: 'dry-summer',
    peach: 'bud-swell',
    fig: 'whole',
    bend: 'slanting',
    sealing: 'none',
    inGrowth: 'none',
  },
};

const fieldsOf = (site: SiteData): Fields => ({
  ...site,
  latitude: String(site.latitude),
  longitude: String(site.longitude),
  monthlyMeanC: site.monthlyMeanC.map(String),
  monthlyRainMm: site.monthlyRainMm.map(String),
  monthlyMinC: MONTHS.map((_, i) => String(site.monthlyMinC?.[i] ?? '')),
  monthlyMaxC: MONTHS.map((_, i) => String(site.monthlyMaxC?.[i] ?? '')),
  policyNote: site.policyNote ?? '',
  policy: {
    ...site.policy,
    inGrowth: site.policy.inGrowth ?? 'none',
    summerAllowance: String(Math.round(site.policy.summerAllowance * 1000) / 10),
    bigCuts: String(site.policy.bigCuts),
  },
});

/** Twelve numbers, or nothing when no field is filled in; a gap among them is refused by the server, by its month. */
const ifAny = (texts: string[]) =>
  texts.some((text) => text.trim()) ? texts.map((text) => decimal(text) as number) : undefined;

const dataOf = (fields: Fields): SiteData => ({
  ...fields,
  latitude: decimal(fields.latitude)!,
  longitude: decimal(fields.longitude)!,
  monthlyMeanC: fields.monthlyMeanC.map((text) => decimal(text)!),
  monthlyRainMm: fields.monthlyRainMm.map((text) => decimal(text)!),
  monthlyMinC: ifAny(fields.monthlyMinC),
  monthlyMaxC: ifAny(fields.monthlyMaxC),
  policyNote: fields.policyNote.trim() || undefined,
  policy: {
    ...fields.policy,
    summerAllowance: decimal(fields.policy.summerAllowance)! / 100,
    bigCuts: Number(fields.policy.bigCuts),
  },
});

export function AddSite() {
  const navigate = useNavigate();
  const add = useAddSite();
  useTitle('New site');
  return (
    <>
      <SiteFields
        title="Add a site"
        start={EMPTY}
        error={add.error}
        saving={add.isPending}
        save={(data) => add.mutateAsync(data).then((site) => navigate('/sites/' + site.id))}
      />
      <hr />
      <p>Or bring in a site with its trees and surveys from an archive.</p>
      <ArchiveUpload />
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
        <Link to={'/sites/' + siteId + '/bulk'}>Trees in and out</Link>: many at once, as a table or a map.
      </p>
      <h2>Keep a copy</h2>
      <p>
        The archive holds the site, its trees and all their surveys, in an open format that can be brought in
        again.
      </p>
      <a className="btn btn-outline-primary" href={'/api/sites/' + siteId + '/archive'} download>
        Download the archive
      </a>
    </>
  );
}

const ROWS = [
  ['monthlyMeanC', 'Mean, °C', 'mean, degrees C'],
  ['monthlyRainMm', 'Rain, mm', 'rain, mm'],
  ['monthlyMinC', 'Nights, °C', 'mean of nights, degrees C'],
  ['monthlyMaxC', 'Days, °C', 'mean of days, degrees C'],
] as const;

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
    save(dataOf(fields)).catch((refused: unknown) => showRefused(refused, form.setError)),
  );
  return (
    <Form onSubmit={submit} noValidate>
      <h1>{title}</h1>
      <ProblemAlert error={error} withFields={false} />
      <Row>
        <Col md={4}>
          <TextField form={form} name="name" label="Name" />
        </Col>
        <Col sm={4} md={2}>
          <TextField
            form={form}
            name="latitude"
            label="Latitude"
            unit="degrees north"
            hint="South is negative"
            inputMode="decimal"
          />
        </Col>
        <Col sm={4} md={2}>
          <TextField
            form={form}
            name="longitude"
            label="Longitude"
            unit="degrees east"
            hint="West is negative"
            inputMode="decimal"
          />
        </Col>
        <Col sm={4} md={4}>
          <SelectField
            form={form}
            name="timeZone"
            label="Time zone"
            none="Choose"
            options={Object.fromEntries(
              [...new Set([start.timeZone, ...Intl.supportedValuesOf('timeZone')])]
                .filter(Boolean)
                .map((zone) => [zone, zone.replaceAll('_', ' ')]),
            )}
          />
        </Col>
      </Row>
      <h2>Climate by month</h2>
      <div className="table-responsive">
        <table className="table table-sm" style={{ minWidth: 860 }}>
          <thead>
            <tr>
              <th></th>
              {MONTHS.map((month) => (
                <th key={month}>{month}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ROWS.map(([row, name, spoken]) => (
              <tr key={row}>
                <th className="text-nowrap">{name}</th>
                {MONTHS.map((month, i) => (
                  <td key={month} className="p-1">
                    <Form.Control
                      size="sm"
                      inputMode="decimal"
                      aria-label={month + ' ' + spoken}
                      isInvalid={!!form.formState.errors[row]?.[i]}
                      {...form.register(`${row}.${i}`)}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {(form.formState.errors.monthlyMeanC || form.formState.errors.monthlyRainMm) && (
        <p className="text-danger small">Give all twelve months: mean temperature in °C and rain in mm.</p>
      )}
      {(form.formState.errors.monthlyMinC || form.formState.errors.monthlyMaxC) && (
        <p className="text-danger small">
          Coldest nights and warmest days: give all twelve months of both in °C, or none.
        </p>
      )}
      <p className="faint small">
        The usual coldest of nights and warmest of days sharpen when buds swell and frost ends; leave both
        rows empty where they are not known.
      </p>
      <h2>Where practitioners differ</h2>
      <Row>
        {Object.entries(SCHOOLS).map(([name, school]) => (
          <Col md={6} key={name}>
            <SelectField
              form={form}
              name={('policy.' + name) as 'policy.pome'}
              label={school.label}
              options={school.options}
            />
          </Col>
        ))}
        <Col md={3} sm={6}>
          <TextField
            form={form}
            name="policy.summerAllowance"
            label="Of the crown in summer"
            unit="%"
            hint="Apples, pears and their like"
            inputMode="decimal"
          />
        </Col>
        <Col md={3} sm={6}>
          <SelectField
            form={form}
            name="policy.bigCuts"
            label="Big cuts a tree a year"
            options={{ '3': 'Three – the usual limit', '2': 'Two – more careful' }}
          />
        </Col>
      </Row>
      <TextField form={form} name="policyNote" label="Why chosen so" hint="Shown wherever a choice matters" />
      <Button type="submit" disabled={saving}>
        Save
      </Button>{' '}
      <Link className="btn btn-link" to={siteId ? '/sites/' + siteId : '/'}>
        Leave as it was
      </Link>
    </Form>
  );
}
