import { Form } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import type { OpenLimb } from '../field/kept';
import { NumberInput } from '../parts/inputs';
import { DISEASES, FAULT_GROUPS, FAULTS, PAIRED } from '../vocabulary/survey';
import { hasFault, thickestFirst, toggleFault } from './draft';

/** What is wrong with a limb, with what more has to be known of it. */
export function LimbFaults({
  limb,
  others,
  change,
  set,
}: {
  limb: Partial<LimbFile>;
  others: Partial<LimbFile>[];
  change: (make: (now: OpenLimb) => Partial<OpenLimb>) => void;
  set: (part: Partial<LimbFile>) => void;
}) {
  const setFault = (kind: string, part: { with?: string; disease?: string }) =>
    change((now) => ({
      limb: {
        ...now.limb,
        faults: now.limb.faults?.map((fault) => (fault.kind === kind ? { ...fault, ...part } : fault)),
      },
    }));
  return (
    <>
      <h2 className="mt-3">What is wrong with it?</h2>
      {FAULT_GROUPS.map((group) => (
        <fieldset key={group.name} className="walk-field">
          <legend>{group.name}</legend>
          <div className="chips">
            {group.kinds.map((kind) => (
              <button
                key={kind}
                type="button"
                aria-pressed={hasFault(limb, kind)}
                onClick={() =>
                  change((now) => ({ limb: { ...now.limb, faults: toggleFault(now.limb, kind) } }))
                }
              >
                {FAULTS[kind]}
              </button>
            ))}
          </div>
          {group.kinds
            .filter((kind) => hasFault(limb, kind) && (PAIRED.includes(kind) || kind === 'diseased'))
            .map((kind) => {
              const fault = limb.faults?.find((one) => one.kind === kind);
              return kind === 'diseased' ? (
                <Form.Select
                  key={kind}
                  className="mt-2"
                  aria-label="Disease"
                  value={fault?.disease ?? 'unknown'}
                  onChange={(e) => setFault(kind, { disease: e.target.value })}
                >
                  {Object.entries(DISEASES).map(([code, name]) => (
                    <option key={code} value={code}>
                      {name}
                    </option>
                  ))}
                </Form.Select>
              ) : (
                <Form.Select
                  key={kind}
                  className="mt-2"
                  aria-label={FAULTS[kind] + ' with'}
                  value={fault?.with ?? ''}
                  onChange={(e) => setFault(kind, { with: e.target.value || undefined })}
                >
                  <option value="">{FAULTS[kind]} – with which limb?</option>
                  {thickestFirst(others).map((other) => (
                    <option key={other.id} value={other.id}>
                      {FAULTS[kind]} – with {other.id}
                    </option>
                  ))}
                </Form.Select>
              );
            })}
          {group.kinds.includes('broken') && hasFault(limb, 'broken') && (
            <NumberInput
              label="Broken at"
              unit="m from its base"
              length="m"
              value={limb.brokenAtM}
              step={0.1}
              min={0.05}
              max={limb.lengthM ?? 50}
              onChange={(brokenAtM) => set({ brokenAtM })}
              hint="It is cut to a branch or a bud below that"
            />
          )}
        </fieldset>
      ))}
    </>
  );
}
