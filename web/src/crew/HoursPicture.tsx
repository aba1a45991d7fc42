import type { Hours } from '../api/client';

/** Hours, or minutes where it is less than one. */
const inWords = (hours: number) => (hours < 1 ? Math.round(hours * 60) + ' min' : rounded(hours) + ' h');
const rounded = (hours: number) => (hours >= 10 ? Math.round(hours) : Math.round(hours * 10) / 10);
const allOf = (one: Hours) => one.cutting + one.tasks + one.other;
const PARTS: [name: 'cutting' | 'tasks' | 'other', word: string][] = [
  ['cutting', 'cutting'],
  ['tasks', 'tasks'],
  ['other', 'other'],
];

/** Hours by season: a bar a person, parted by kind of work, the season's mean as a line. */
export function HoursPicture({ hours, mine = false }: { hours: Hours[]; mine?: boolean }) {
  const seasons = [...new Set(hours.map((one) => one.season))];
  const most = Math.max(1, ...hours.map(allOf));
  return seasons.map((season) => {
    const of = hours.filter((one) => one.season === season);
    const sum = of.reduce((all, one) => all + allOf(one), 0);
    const mean = sum / of.length;
    return (
      <section key={season} aria-label={season} className="mb-3">
        <h2>
          {season.charAt(0).toUpperCase() + season.slice(1)}{' '}
          <small className="faint">
            {inWords(sum)}
            {!mine && ' by ' + of.length + (of.length === 1 ? ' person' : ' people')}
          </small>
        </h2>
        {of.map((one) => (
          <div key={one.personId} className="person-hours-row">
            <span className="name">{mine ? 'You' : one.name}</span>
            <span className="person-hours">
              {PARTS.map(([part]) => (
                <span
                  key={part}
                  className={part}
                  style={{ width: (one[part] / most) * 100 + '%' }}
                  title={part + ': ' + inWords(one[part])}
                />
              ))}
              {!mine && of.length > 1 && (
                <span className="mean" style={{ left: (mean / most) * 100 + '%' }} aria-hidden />
              )}
            </span>
            <span className="small">
              {inWords(allOf(one))} on {one.days} {one.days === 1 ? 'day' : 'days'}
              <span className="faint">
                {PARTS.filter(([part]) => one[part] >= 1 / 60).map(([part, word]) => (
                  <span key={part}>
                    ; {word} {inWords(one[part])}
                  </span>
                ))}
              </span>
            </span>
          </div>
        ))}
        {!mine && of.length > 1 && (
          <p className="small faint">The line is the mean, {inWords(mean)}: rosters share work towards it.</p>
        )}
      </section>
    );
  });
}
