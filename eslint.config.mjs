import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import typescript from 'typescript-eslint';

/** Three words in a row. */
const SENTENCE = /[A-Za-z’]{2,}[,.:;]?\s+[A-Za-z’]+[,.:;]?\s+[A-Za-z’]+/;

const FRESH = '/^(Array|Object)Expression$/';
const SELECTOR =
  'CallExpression[callee.name=/^use(?!Memo|Effect|LayoutEffect|Callback|State|Reducer)[A-Z]/] > ArrowFunctionExpression';
/** What a store is asked for is kept by the one who asks: made anew at each look, it would draw without end. */
const SELECTS_WHAT_IS_KEPT = [
  `[body.type=${FRESH}]`,
  `[body.right.type=${FRESH}]`,
  `[body.consequent.type=${FRESH}]`,
  `[body.alternate.type=${FRESH}]`,
  '[body.callee.property.name=/^(filter|map|flatMap|slice|concat|toSorted|toReversed|keys|values|entries|fromEntries)$/]',
  '[body.expression.callee.property.name=/^(filter|map|flatMap|slice|concat|toSorted|toReversed|keys|values|entries|fromEntries)$/]',
].map((made) => ({
  selector: SELECTOR + made,
  message:
    'A selector gives what the store keeps: a list or object made in it is a new one at each look. Make it outside.',
}));

export default typescript.config(
  {
    ignores: [
      '**/node_modules/',
      'data/',
      'app/dist/',
      'app/src/vendor/made/',
      'app/.expo/',
      '.build/',
      '**/test-results/',
      'app/expo-env.d.ts',
    ],
  },
  ...typescript.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // Text from outside may be long and odd: no pattern takes more than linear time over it.
    files: ['core/src/**/*.ts', 'contract/src/**/*.ts', 'server/src/**/*.ts', 'app/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    // Time and chance come into the core as arguments.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Time comes in as an argument.',
        },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Time comes in as an argument.' },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Chance comes in as an argument.',
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'localStorage'],
    },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...SELECTS_WHAT_IS_KEPT] },
  },
  {
    // Colours and sizes of the look live in one place; screens are laid out by its primitives.
    files: ['app/src/features/**/*.{ts,tsx}', 'app/src/app/**/*.tsx'],
    ignores: ['**/*.test.*'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...SELECTS_WHAT_IS_KEPT,
        ...['JSXText[value=SENTENCE]', 'Literal[value=SENTENCE]', 'TemplateElement[value.raw=SENTENCE]'].map(
          (each) => ({
            selector: each.replace('SENTENCE', String(SENTENCE)),
            message: 'Sentences stand in app/src/copy.',
          }),
        ),
        { selector: 'Literal[value=/^#[0-9a-fA-F]{3,8}$/]', message: 'Screens take their colours from the palette.' },
        {
          selector: 'JSXAttribute[name.name=/[sS]tyle$/]',
          message: 'Screens are laid out by Stack, Row, Grid, Split, Inset and the props of Text, Press and Button.',
        },
        {
          selector: "CallExpression[callee.name='fetch']",
          message: 'Screens call the server through state/api.',
        },
      ],
    },
  },
  {
    // One function, one idea; the tables of the database are data.
    files: ['**/src/**/*.{ts,tsx}', 'bench/**/*.ts', 'scripts/**/*.mjs'],
    ignores: ['**/*.test.*', 'server/src/database/**'],
    rules: { 'max-lines-per-function': ['error', { max: 80 }] },
  },
  {
    // Only what is used is loaded: the app takes the core folder by folder.
    files: ['app/src/**/*.{ts,tsx}', 'contract/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { paths: [{ name: '@tembrin/core', message: 'Import from the folder: @tembrin/core/log.' }] },
      ],
    },
  },
  {
    files: ['**/*.{js,cjs,mjs}'],
    languageOptions: { globals: { ...globals.node } },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
);
