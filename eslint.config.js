import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['**/dist/**', '.cache/**', '.dewpoint/**', 'node_modules/**', 'server/database/migrations/**', 'test-results/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-undef': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-restricted-syntax': [
        'error',
        { selector: "CallExpression[callee.property.name='waitForTimeout']", message: 'Tests wait for something, not for time.' },
      ],
    },
  },
  {
    files: ['core/**/*.ts', 'trade/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'fetch', 'window', 'document', 'localStorage', 'setTimeout', 'setInterval', 'process', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Core takes a seed.' },
        { object: 'Date', property: 'now', message: 'Core takes the time.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'MemberExpression[property.name=/^(get|set)(Hours|Minutes|Date|Day|Month|FullYear|TimezoneOffset)$|^toLocale(String|DateString|TimeString)$/]',
          message: 'Core knows no local time.',
        },
        { selector: 'NewExpression[callee.name="Date"][arguments.length!=1]', message: 'Core takes the time, in UTC.' },
      ],
    },
  },
  prettier,
)
