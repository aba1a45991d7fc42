import { useQueryClient } from '@tanstack/react-query';
import { type KeyboardEvent, useDeferredValue, useEffect, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Judgement } from '../api/client';
import { useTrees } from '../api/orchard';
import { useDays } from '../crew/dayQueries';
import { usePeople } from '../crew/peopleQueries';
import { useFigures } from '../figures/queries';
import { date, words, Words } from '../parts/format';
import { useSeason } from '../season/queries';
import { GLOSSARY } from '../vocabulary/glossary';
import { OverAll } from './OverAll';

interface Hit {
  key: string;
  what: string;
  name: string;
  /** Without an address it only says what a word means. */
  to?: string;
  says?: string;
}

const MOST_OF_A_SORT = 6;

/** Where what is sought is written, the beginning of a word before its middle. */
function matches(sought: string, ...texts: (string | null | undefined)[]): boolean {
  const plain = sought.trim().toLowerCase();
  return plain !== '' && texts.some((text) => text?.toLowerCase().includes(plain));
}

/** One box that finds trees, limbs, people, days, kinds, numbers, places of the work and words of the trade. */
export function Find({ siteId, close }: { siteId: number; close: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const box = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const hits = useHits(siteId, useDeferredValue(text));
  useEffect(() => box.current?.focus(), []);
  const go = (hit?: Hit) => {
    if (!hit?.to) return;
    close();
    void navigate(hit.to);
  };
  const keys = (e: KeyboardEvent) => {
    if (e.key === 'ArrowDown') setAt(Math.min(hits.length - 1, at + 1));
    else if (e.key === 'ArrowUp') setAt(Math.max(0, at - 1));
    else if (e.key === 'Enter') go(hits[at]);
    else return;
    e.preventDefault();
  };
  return (
    <OverAll name="Find" close={close} onKeyDown={keys}>
      <input
        ref={box}
        className="form-control"
        role="combobox"
        aria-expanded={hits.length > 0}
        aria-controls="found"
        aria-activedescendant={hits[at] && 'found-' + hits[at].key}
        aria-label="Find a tree, a person, a day, a word"
        placeholder="A tree, a person, a day, a kind, a number, a word"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
        }}
      />
      <ul id="found" role="listbox" aria-label="Found">
        {hits.map((hit, i) => (
          <li
            key={hit.key}
            id={'found-' + hit.key}
            role="option"
            aria-selected={i === at}
            onClick={() => go(hit)}
          >
            <span className="faint">{hit.what}</span> <strong>{hit.name}</strong>
            {hit.says && <span> {hit.says}</span>}
          </li>
        ))}
      </ul>
      {text.trim() !== '' && hits.length === 0 && <p className="faint mb-0">Nothing like that here.</p>}
    </OverAll>
  );
}

function useHits(siteId: number, text: string): Hit[] {
  const site = '/sites/' + siteId;
  const { treeId } = useParams();
  const queries = useQueryClient();
  const trees = useTrees(siteId, { q: text.trim(), species: '', triage: '', sort: 'tag' }).trees ?? [];
  const people = usePeople(siteId).data ?? [];
  const days = useDays(siteId).data ?? [];
  const kinds = useSeason(siteId).data?.lines ?? [];
  const figures = useFigures(siteId).data ?? [];
  if (!text.trim()) return [];
  const judged = treeId ? queries.getQueryData<Judgement>(['judgement', Number(treeId)]) : undefined;
  const some = (hits: Hit[]) => hits.slice(0, MOST_OF_A_SORT);
  return [
    ...some(
      (judged?.evaluation.limbs ?? [])
        .filter((limb) => limb.id.toLowerCase() === text.trim().toLowerCase())
        .map((limb) => ({
          key: 'limb-' + limb.id,
          what: 'limb of this tree',
          name: limb.id,
          to: site + '/trees/' + treeId + '?limb=' + encodeURIComponent(limb.id),
        })),
    ),
    ...some(
      trees.map((tree) => ({
        key: 'tree-' + tree.id,
        what: 'tree',
        name: tree.data.tag,
        says: [words(tree.data.species), tree.data.cultivar, tree.data.owner].filter(Boolean).join(', '),
        to: site + '/trees/' + tree.id,
      })),
    ),
    ...some(
      people
        .filter((one) => matches(text, one.name))
        .map((one) => ({ key: 'person-' + one.id, what: 'person', name: one.name, to: site + '/people' })),
    ),
    ...some(
      days
        .filter((one) => matches(text, one.on, date(one.on)))
        .map((one) => ({
          key: 'day-' + one.id,
          what: 'day',
          name: date(one.on),
          to: site + '/days/' + one.id,
        })),
    ),
    ...some(
      [...new Set(kinds.map((line) => line.species))]
        .filter((kind) => matches(text, words(kind)))
        .map((kind) => ({
          key: 'kind-' + kind,
          what: 'kind',
          name: Words(kind),
          to: site + '/season/' + kind,
        })),
    ),
    ...some(
      PAGES.filter(([name]) => matches(text, name)).map(([name, path]) => ({
        key: 'page-' + path,
        what: 'page',
        name,
        to: site + path,
      })),
    ),
    ...some(
      figures
        .filter((one) => matches(text, one.meaning))
        .map((one) => ({
          key: 'figure-' + one.figure,
          what: 'number',
          name: one.meaning,
          to: site + '/figures',
        })),
    ),
    ...some(
      Object.entries(GLOSSARY)
        .filter(([word]) => matches(text, word))
        .map(([word, says]) => ({
          key: 'word-' + word.replace(/\W+/g, '-'),
          what: 'word',
          name: word,
          says,
        })),
    ),
  ];
}

const PAGES: [string, string][] = [
  ['Orchard', ''],
  ['Walk', '/walk'],
  ['Plan: the programme', '/plan'],
  ['Days', '/days'],
  ['Log', '/log'],
  ['People', '/people'],
  ['Season, weather and care', '/season'],
  ['Settings', '/settings'],
  ['Numbers the rules go by', '/figures'],
  ['Trees in and out', '/bulk'],
];
