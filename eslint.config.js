import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** what depends on where the machine stands */
const localTime = {
  selector: 'MemberExpression[property.name=/^(get|set)(Hours|Minutes|Date|Day|Month|FullYear|TimezoneOffset)$|^toLocale(DateString|TimeString)$/]',
  message: 'Times are in UTC; what is shown or typed goes through web/src/shared/times.ts.',
}

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
        localTime,
        { selector: "MemberExpression[property.name='toLocaleString']", message: 'Core knows no language of a machine.' },
        { selector: 'NewExpression[callee.name="Date"][arguments.length!=1]', message: 'Core takes the time, in UTC.' },
      ],
    },
  },
  {
    files: ['{web,server,contract,demo,cli}/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts', 'web/src/shared/times.ts'],
    rules: {
      'no-restricted-syntax': ['error', localTime, { selector: 'NewExpression[callee.name="Date"][arguments.length>1]', message: localTime.message }],
      'no-restricted-imports': ['error', { paths: ['date-fns', '@date-fns/tz'].map((name) => ({ name, message: localTime.message })) }],
    },
  },
  prettier,
)
