import js from '@eslint/js';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import hooks from 'eslint-plugin-react-hooks';
import { readdirSync } from 'node:fs';
import tseslint from 'typescript-eslint';

const WITHIN = (room) => `src/features/${room}`;

/** Parts that several chapters have in common. */
const PARTS = ['playing', 'niches', 'bench', 'round', 'importing', 'fates'];

const CHAPTERS = readdirSync('src/features').filter((room) => !PARTS.includes(room));

/** From the lowest: each may import from those before it alone. */
const FLOORS = [
  ['src/api'],
  ['src/ui'],
  ['src/doing'],
  ['src/stage'],
  ...PARTS.map((room) => [WITHIN(room)]),
  CHAPTERS.map(WITHIN),
  ['src/app'],
];

const UPWARDS = FLOORS.flatMap((rooms, floor) =>
  FLOORS.slice(floor + 1).map((above) => ({
    target: rooms,
    from: above,
    message: `${rooms[0]} lies below ${above[0]}.`,
  })),
);

const ACROSS = CHAPTERS.map((room) => ({
  target: WITHIN(room),
  from: CHAPTERS.filter((other) => other !== room).map(WITHIN),
  message: 'No chapter imports another; what they have in common lies below them.',
}));

export default tseslint.config(
  { ignores: ['target/', 'dist/', 'src/api/schema.d.ts'] },
  js.configs.recommended,
  tseslint.configs.recommended,
  hooks.configs.flat['recommended-latest'],
  {
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts', '.tsx'] })],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
    },
    rules: {
      'react-hooks/incompatible-library': 'off',
      // It alone takes as long as all the others.
      'react-hooks/static-components': 'off',
      'import-x/no-cycle': 'error',
      'import-x/no-restricted-paths': ['error', { zones: [...UPWARDS, ...ACROSS] }],
    },
  },
);
