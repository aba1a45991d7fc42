import { useState } from 'react';
import { date } from '../parts/format';

export interface Shot {
  key: string;
  spot: string;
  takenOn: string;
}

/** Spots of which there are two photos or more, each with its photos from the oldest to the newest. */
export function pairable(photos: Shot[]): [spot: string, shots: Shot[]][] {
  const spots = new Map<string, Shot[]>();
  for (const photo of photos) spots.set(photo.spot, [...(spots.get(photo.spot) ?? []), photo]);
  return [...spots]
    .filter(([, shots]) => shots.length > 1)
    .map(([spot, shots]) => [spot, shots.sort((one, other) => one.takenOn.localeCompare(other.takenOn))]);
}

/** The same side of a tree then and now, one over the other; a slider draws the newer one across. */
export function Pairs({ photos }: { photos: Shot[] }) {
  const spots = pairable(photos);
  const [chosen, setChosen] = useState<string>();
  const [from, setFrom] = useState(0);
  const [seen, setSeen] = useState(50);
  if (spots.length === 0) return null;
  const [spot, shots] = spots.find(([name]) => name === chosen) ?? spots[0]!;
  const now = shots.at(-1)!;
  const then = shots[Math.min(from, shots.length - 2)]!;
  const address = (shot: Shot) => '/api/photos/' + shot.key;
  return (
    <section aria-label="Then and now" className="pairs">
      <h3>Then and now</h3>
      <div className="d-flex flex-wrap gap-2 mb-1">
        <select
          className="form-select form-select-sm"
          style={{ width: 'auto' }}
          aria-label="Which side"
          value={spot}
          onChange={(e) => {
            setChosen(e.target.value);
            setFrom(0);
          }}
        >
          {spots.map(([name]) => (
            <option key={name}>{name}</option>
          ))}
        </select>
        <select
          className="form-select form-select-sm"
          style={{ width: 'auto' }}
          aria-label="Beside the photo of"
          value={Math.min(from, shots.length - 2)}
          onChange={(e) => setFrom(Number(e.target.value))}
        >
          {shots.slice(0, -1).map((shot, i) => (
            <option key={shot.key} value={i}>
              {date(shot.takenOn)}
            </option>
          ))}
        </select>
      </div>
      <div className="one-over-other">
        <img src={address(then)} alt={spot + ', ' + date(then.takenOn)} />
        <img
          src={address(now)}
          alt={spot + ', ' + date(now.takenOn)}
          style={{ clipPath: `inset(0 0 0 ${100 - seen}%)` }}
        />
      </div>
      <label className="d-flex gap-2 align-items-center small">
        {date(then.takenOn)}
        <input
          type="range"
          className="form-range"
          min={0}
          max={100}
          value={seen}
          aria-label="How much of the newer photo is drawn across"
          onChange={(e) => setSeen(Number(e.target.value))}
        />
        {date(now.takenOn)}
      </label>
    </section>
  );
}
