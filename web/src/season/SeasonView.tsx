import { Alert, Button, Form } from 'react-bootstrap';
import { useParams } from 'react-router';
import type { WeatherDay } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { dayAndMonth } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { CalendarLink } from './CalendarLink';
import { CareList } from './CareList';
import { useSeason, useSendWeather, useWeather, wrongLines } from './queries';
import { Strip } from './SeasonRibbon';

/** The whole year of a site at a glance: windows, the coming days' weather, and the work besides cutting. */
export function SeasonView() {
  const siteId = Number(useParams().siteId);
  const season = useSeason(siteId);
  const weather = useWeather(siteId);
  const site = useSite(siteId);
  useTitle('The year');
  if (!season.data || !site.data) return <Loading error={season.error ?? site.error} />;
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h1 className="mb-0">The year at {site.data.data.name}</h1>
        <Button
          size="sm"
          variant="outline-secondary"
          className="no-print ms-auto"
          onClick={() => window.print()}
        >
          Print
        </Button>
        <a className="no-print" href="#calendar-link">
          Follow in a calendar
        </a>
      </div>
      <p className="legend">
        <span className="bar best" /> best cut <span className="bar care" /> with care; where nothing is
        drawn, keep off. The name of a kind leads to its year in words.
      </p>
      {season.data.lines.length === 0 ? (
        <p>No tree stands here yet.</p>
      ) : (
        <div className="year-calendar" data-scrolls tabIndex={0} role="region" aria-label="The year by kind">
          <Strip ribbon={season.data} siteId={siteId} roomy />
        </div>
      )}
      {site.data.data.policyNote && <p>Why the schools were chosen: {site.data.data.policyNote}</p>}
      <div className="kind-columns">
        <section aria-label="Work besides cutting">
          <h2>Work besides cutting</h2>
          <CareList siteId={siteId} today={season.data.today} />
        </section>
        <section aria-label="Weather" className="no-print">
          <h2>Weather of the coming days</h2>
          {weather.data ? <WeatherDays days={weather.data} /> : <Loading error={weather.error} />}
          <SendWeather siteId={siteId} />
        </section>
      </div>
      <CalendarLink siteId={siteId} />
    </>
  );
}

function WeatherDays({ days }: { days: WeatherDay[] }) {
  const simulated = days.some((day) => day.from === 'simulated');
  return (
    <>
      {simulated && (
        <p className="simulated">
          Simulated: made up from the climate of the place, no forecast. Send a file to go by real weather.
        </p>
      )}
      <div className="table-responsive" tabIndex={0} role="region" aria-label="Days of weather">
        <table className="table table-sm weather">
          <thead>
            <tr>
              <th>Day</th>
              <th className="num">Night to day</th>
              <th className="num">Rain</th>
              <th className="num">Wind</th>
              <th>From</th>
            </tr>
          </thead>
          <tbody>
            {days.map((day) => (
              <tr key={day.on}>
                <td>{dayAndMonth(day.on)}</td>
                <td className="num">
                  {Math.round(day.minC) + 0} to {Math.round(day.maxC) + 0} °C
                </td>
                <td className="num">{day.rainMm < 1 ? 'dry' : day.rainMm.toFixed(0) + ' mm'}</td>
                <td className="num">{day.windKmh.toFixed(0)} km/h</td>
                <td className="faint">{day.from}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function SendWeather({ siteId }: { siteId: number }) {
  const send = useSendWeather(siteId);
  const wrong = wrongLines(send.error);
  return (
    <>
      <Form.Group controlId="weather-file">
        <Form.Label>Daily weather from a file (CSV: date, minC, maxC, rainMm, windKmh)</Form.Label>
        <Form.Control
          type="file"
          accept=".csv,text/csv"
          onChange={(e) => {
            const input = e.target as HTMLInputElement;
            const file = input.files?.[0];
            if (file) void file.text().then((text) => send.mutate(text));
            input.value = '';
          }}
        />
      </Form.Group>
      {send.data && <Alert variant="success">{send.data.days} days are kept.</Alert>}
      {wrong.length > 0 ? (
        <Alert variant="danger">
          Nothing was kept. Mend these in the file and choose it again:
          <ul className="mb-0">
            {wrong.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Alert>
      ) : (
        <ProblemAlert error={send.error} />
      )}
    </>
  );
}
