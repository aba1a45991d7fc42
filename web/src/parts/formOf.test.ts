import { describe, expect, it } from 'vitest';
import { type Field, formOf } from './formOf';

interface Post {
  tag: string;
  heightM?: number;
  years?: number;
  kind?: string;
  standing: boolean;
}

const FIELDS: Field<Post>[] = [
  { name: 'tag', label: 'Tag', kind: 'text', most: 4, missing: 'Give the tag.' },
  { name: 'heightM', label: 'Height', kind: 'number', unit: 'm', as: 'metres' },
  { name: 'years', label: 'Years', kind: 'whole', as: 'the years' },
  { name: 'kind', label: 'Kind', kind: 'choice', options: { oak: 'Oak' }, start: 'oak' },
  { name: 'standing', label: 'Stands', kind: 'yes' },
];

describe('a form from one list of fields', () => {
  const form = formOf(FIELDS);

  it('starts empty but for what is chosen beforehand', () => {
    expect(form.empty).toEqual({ tag: '', heightM: '', years: '', kind: 'oak', standing: false });
  });

  it('goes from data to what is typed and back', () => {
    const post: Post = { tag: 'A', heightM: 2.5, years: 3, kind: 'oak', standing: true };
    expect(form.typed(post)).toEqual({ tag: 'A', heightM: '2.5', years: '3', kind: 'oak', standing: true });
    expect(form.data(form.typed(post))).toEqual(post);
    expect(form.data({ tag: 'A', heightM: '2,5', years: '', kind: '', standing: false })).toEqual({
      tag: 'A',
      heightM: 2.5,
      years: undefined,
      kind: undefined,
      standing: false,
    });
  });

  it('keeps shares as fractions and words without the spaces about them', () => {
    const shares = formOf<{ share: number; note?: string }>([
      {
        name: 'share',
        label: 'Share',
        kind: 'number',
        unit: '%',
        as: 'a share',
        percent: true,
        range: [0, 34],
      },
      { name: 'note', label: 'Note', kind: 'text', most: 9 },
    ]);
    expect(shares.typed({ share: 0.07 })).toEqual({ share: '7', note: '' });
    expect(shares.data({ share: '7', note: '  ' })).toEqual({ share: 0.07, note: undefined });
    expect(shares.schema.safeParse({ share: '35', note: '' }).error?.issues[0]?.message).toBe(
      'Give a share from 0 to 34.',
    );
  });

  it('says what is wrong at the field', () => {
    const wrong = form.schema.safeParse({
      tag: ' ',
      heightM: 'high',
      years: '1.5',
      kind: '',
      standing: false,
    });
    expect(wrong.error?.issues.map((issue) => [issue.path[0], issue.message])).toEqual([
      ['tag', 'Give the tag.'],
      ['heightM', 'Give metres as a number, such as 4.2.'],
      ['years', 'Give the years as a whole number.'],
    ]);
    expect(form.schema.safeParse({ ...form.empty, tag: 'ABCDE' }).success).toBe(false);
  });
});
