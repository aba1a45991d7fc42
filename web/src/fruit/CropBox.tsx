import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Tree } from '../api/client';
import { useAddTask } from '../crew/taskQueries';
import { kilos, minutes } from '../parts/format';
import { NumberInput } from '../parts/inputs';
import { Loading } from '../parts/Loading';
import { HELP, LEAD, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useCrop, useDropCount, useKeepCount } from './queries';
import { reckonedSays } from './reckoned';

const MOST = 100_000;
const HOLDS: Record<string, string> = { thin: 'thin it', prop: 'prop it' };

/** How many fruits to leave, as a range with its grounds; limbs that would break; and why there was little. */
export function CropBox({ tree }: { tree: Tree }) {
  const [counted, setCounted] = useState<number>();
  const crop = useCrop(tree.id, counted);
  const keep = useKeepCount(tree.id);
  const drop = useDropCount(tree.id);
  const add = useAddTask(tree.siteId);
  if (!crop.data) return <Loading error={crop.error} />;
  const { grounds, least, most, thinLeast, thinMost, limbs, why, whyYear, reckoned, when } = crop.data;
  const bent = limbs.filter((limb) => limb.holds && HOLDS[limb.holds]);
  const thin = () =>
    add.mutateAsync({
      kind: 'thin',
      title: `Thin ${tree.data.tag}: leave ${least} to ${most} fruits`,
      treeId: tree.id,
      opens: when.opens,
      closes: when.closes,
      minutes: Math.max(10, crop.data.minutes),
      people: 1,
      kit: [],
      note: crop.data.how,
    });
  return (
    <section aria-label="Crop load" className="my-3">
      <h3>How many to leave</h3>
      <p className="mb-1">
        <strong>
          {least} to {most} fruits
        </strong>
        : {grounds.map((one) => `${one.text} make ${one.least} to ${one.most}`).join('; ')}.
        {crop.data.kilos != null && ' That comes to about ' + kilos(crop.data.kilos) + '.'} {crop.data.how}
      </p>
      <div className="d-flex gap-3 align-items-end flex-wrap">
        <NumberInput
          label="Counted on the tree"
          value={counted ?? crop.data.counted ?? undefined}
          onChange={setCounted}
          step={50}
          max={MOST}
        />
        {counted !== undefined && (
          <May siteId={tree.siteId} roles={HELP}>
            <Button
              size="sm"
              className="mb-3"
              disabled={keep.isPending}
              onClick={() =>
                void keep.mutateAsync(counted).then(
                  () => setCounted(undefined),
                  () => undefined,
                )
              }
            >
              Keep the count
            </Button>
          </May>
        )}
        {thinMost != null && (
          <p>
            {thinMost === 0
              ? 'Nothing to thin.'
              : `Take off ${thinLeast} to ${thinMost}, ${minutes(crop.data.minutes)} of work.`}
          </p>
        )}
        <May siteId={tree.siteId} roles={LEAD}>
          <Button
            size="sm"
            variant="outline-primary"
            className="mb-3"
            disabled={add.isPending || add.isSuccess}
            onClick={() => void thin().catch(() => undefined)}
          >
            {add.isSuccess ? 'It stands among the tasks' : 'Make a task of thinning'}
          </Button>
        </May>
      </div>
      <ProblemAlert error={add.error ?? keep.error ?? drop.error} />
      {reckoned.length > 0 && (
        <ul className="list-unstyled mb-2">
          {reckoned.map((one) => (
            <li key={one.year}>
              {one.year}: {reckonedSays(one)}{' '}
              <May siteId={tree.siteId} roles={LEAD}>
                <Button
                  size="sm"
                  variant="link"
                  className="p-0 align-baseline"
                  disabled={drop.isPending}
                  aria-label={'Let go of the count of ' + one.year}
                  onClick={() => drop.mutate(one.year)}
                >
                  Let go of it
                </Button>
              </May>
            </li>
          ))}
        </ul>
      )}
      {limbs.length > 1 && (
        <details className="mb-2">
          <summary>By limb</summary>
          <ul className="list-unstyled mb-0">
            {limbs.map((limb) => (
              <li key={limb.limb}>
                {limb.limb}: {limb.least} to {limb.most}
                {limb.kilos != null && ', ' + kilos(limb.kilos)}
              </li>
            ))}
          </ul>
        </details>
      )}
      {bent.length > 0 && (
        <p>
          Under such a crop these limbs are bent to more than a quarter of what breaks them:{' '}
          {bent.map((limb) => `${limb.limb} (${kilos(limb.kilos!)}): ${HOLDS[limb.holds!]}`).join(', ')}.
        </p>
      )}
      {why.length > 0 && (
        <>
          <h3>If there was little in {whyYear}</h3>
          <ol>
            {why.map((cause) => (
              <li key={cause.cause}>
                <strong>{cause.text}.</strong> For it: {cause.speaksFor.join(', ') || 'nothing sure'}.
                {cause.against.length > 0 && ' Against it: ' + cause.against.join(', ') + '.'}{' '}
                <span className="faint">{cause.look}</span>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}
