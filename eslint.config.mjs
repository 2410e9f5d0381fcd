import jsxA11y from 'eslint-plugin-jsx-a11y'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'
import { stillToSplit } from './eslint.still-to-split.mjs'

const lists = '/^(fans|controllers|probes|runs|fuses|relays|batteries)$/'

/** How long, nested and branched a piece may be; files that are still more so are named in one place. */
const shape = {
  'max-lines': { max: 300, skipComments: true, skipBlankLines: true },
  'max-lines-per-function': { max: 80, skipComments: true, skipBlankLines: true },
  complexity: { max: 25 },
  'no-nested-ternary': {},
}

export default tseslint.config(
  { ignores: ['public/sw.js', '.next/', 'node_modules/', 'next-env.d.ts', 'data/'] },
  ...tseslint.configs.recommended,
  { files: ['src/**/*.{ts,tsx}'], ...jsxA11y.flatConfigs.recommended },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    // a fan is an item of a list: only fan-circuit says which stands first
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/core/fan-circuit/**', '**/*.test.ts', '**/test-support/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          `MemberExpression[property.value=0] > MemberExpression.object[property.name=${lists}]`,
          `MemberExpression[property.value=0] > Identifier.object[name=${lists}]`,
          `MemberExpression[property.value=0] > CallExpression.object[callee.name="circuitsOf"]`,
          `CallExpression[callee.property.name="at"][arguments.0.value=0] > MemberExpression > MemberExpression[property.name=${lists}]`,
        ].map((selector) => ({ selector, message: 'Reads only the first of a list: take a fan circuit.' })),
        {
          selector: "JSXOpeningElement[name.name='option']:not(:has(JSXAttribute[name.name='value']))",
          message: 'Gives its wording, which is another in every language, for what is chosen: say its value.',
        },
      ],
    },
  },
  ...Object.entries(shape).map(([rule, options]) => ({
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/test-support/**', ...stillToSplit[rule]],
    rules: { [rule]: Object.keys(options).length ? ['error', options] : 'error' },
  })),
  {
    // what only the types tell
    files: ['src/**/*.{ts,tsx}', 'e2e/**/*.ts'],
    // one program for all files, which is a fifth quicker than a service that is asked for each
    languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/no-unsafe-argument': 'error',
      '@typescript-eslint/no-unsafe-return': 'error',
      '@typescript-eslint/only-throw-error': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'error',
    },
  },
)
