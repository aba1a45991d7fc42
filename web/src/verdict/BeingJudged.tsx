import { useJudging } from './judging';
import { Icon } from '../parts/Icon';

/** That the trees of a site wait to be judged anew, and how many were: what lists show is not the newest yet. */
export function BeingJudged({ siteId }: { siteId: number }) {
  const { data } = useJudging(siteId);
  if (!data || data.waiting === 0) return null;
  const trees = data.trees === 1 ? 'tree' : 'trees';
  return (
    <p className="signal no-print" role="status">
      <Icon name="hourglass-split" /> Being judged: {data.trees - data.waiting} of {data.trees} {trees}. Lists
      follow by themselves.
      {data.failing > 0 && (
        <>
          {' '}
          {data.failing === 1 ? 'One tree' : data.failing + ' trees'} could not be judged and{' '}
          {data.failing === 1 ? 'is' : 'are'} tried again.
        </>
      )}
    </p>
  );
}
