import jsxA11y from 'eslint-plugin-jsx-a11y'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const lists = '/^(fans|controllers|probes|runs|fuses|relays|batteries)$/'

export default tseslint.config(
  { ignores: ['.next/', 'node_modules/', 'next-env.d.ts', 'data/'] },
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
      ],
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
