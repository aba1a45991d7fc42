import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Folders of src, each after those it may import from: so none import each other, and nobody imports the application. */
const FOLDERS = [
  'api',
  'parts',
  'field',
  'vocabulary',
  'drawing',
  'photo',
  'light',
  'figures',
  'crew',
  'fruit',
  'outlook',
  'programme',
  'plan',
  'season',
  'verdict',
  'history',
  'today',
  'waiting',
  'survey',
  'visit',
  'wood',
  'orchard',
  'bulk',
  'tree',
  'app',
];

const onlyWhatStandsBefore = FOLDERS.map((folder, at) => ({
  files: [`src/${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: FOLDERS.slice(at + 1).map((later) => ({
          group: [`../${later}/*`],
          message: `${folder} stands before ${later} in eslint.config.js: import the other way round, or move what both want.`,
        })),
      },
    ],
  },
})).filter((one) => one.rules['no-restricted-imports'][1].patterns.length > 0);

export default ts.config(
  { ignores: ['dist', 'src/api/schema.d.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  { files: ['src/**/*.{ts,tsx}'], ...hooks.configs.flat['recommended-latest'] },
  {
    // What nobody waits for ends whenever the machine has time: a test that failed on a slow one alone had forgotten to.
    files: ['src/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  {
    files: ['src/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'Literal[value=/^#[0-9a-fA-F]{3,8}$/]',
          message: 'Colours are tokens of theme.scss: var(--ink).',
        },
      ],
    },
  },
  ...onlyWhatStandsBefore,
);
