import { Button } from 'react-bootstrap';
import { date } from '../parts/format';
import { useTakenAlong } from './takeAlong';
import { when } from './words';
import { Icon } from '../parts/Icon';

/** Whether one can go out with this phone: what it has taken along, as of when, and what is missing. */
export function TakenAlong({ siteId }: { siteId: number }) {
  const { taken, running, failed, take } = useTakenAlong(siteId);
  const days = taken?.days.map((day) => date(day.on)) ?? [];
  const lacks = taken?.missing ?? [];
  return (
    <div className="taken-along small" aria-live="polite">
      <span className="flex-grow-1">
        {running && !taken && 'Taking the orchard along…'}
        {taken && (
          <>
            <Icon name={lacks.length ? 'exclamation-triangle' : 'check2'} /> This phone has{' '}
            {lacks.length ? 'most' : 'everything'} for {taken.trees} {taken.trees === 1 ? 'tree' : 'trees'}
            {days.length > 0 && ' and ' + days.join(', ')}, as of {when(taken.at)}.
            {lacks.length > 0 && ' Missing: ' + lacks.join('; ') + '.'}
          </>
        )}
        {failed && !running && ' It could not be taken along just now.'}
      </span>
      <Button size="sm" variant="link" className="p-0" disabled={running} onClick={() => void take()}>
        {running ? 'Taking along…' : taken ? 'Take along again' : 'Take along'}
      </Button>
    </div>
  );
}
