import pluginVue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

// said alike in every language that is here
const UNITS = [
  'ft',
  'kt',
  'KIAS',
  'fpm',
  'lb',
  'gal',
  'min',
  'nm',
  'hPa',
  'm',
  's',
  'UTC',
  '½ nm',
  '50 ft',
  'ft/s²',
  '−1 s',
  '+1 s',
]

// the form in which something is typed
const FORMS = ['A 900, B 1600', 'LANT 251150Z 07009KT …']
const read = (selector) => ({ selector, message: 'What is read stands in the Fluent files: say() it by its name.' })
// words that begin with a capital, or three in a row: what somebody reads
const READ = [
  read(
    ':not(ImportDeclaration, NewExpression, BinaryExpression, TSIndexedAccessType, TSLiteralType, Property[key.name=/^type$/], CallExpression[callee.name=/^feature$/], CallExpression[callee.property.name=/^get$/]) > Literal[value=/^\\W*[A-Z][a-z]+[ .:,].*[a-z]|^[a-z]+,? [a-z]+ [a-z]+[ .]?$|^[A-Z][a-z]{3,}$/]',
  ),
  read(
    ':not(NewExpression) > TemplateLiteral > TemplateElement[value.raw=/(^|[^:\\w-])[a-z]{3,} [a-z]{2,} |(^| )[A-Z][a-z]+ [a-z]{2,}/]',
  ),
]

export default tseslint.config(
  { ignores: ['dist/**', 'node_modules/**', 'src/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  ...pluginVue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  {
    languageOptions: { globals: { window: 'readonly', document: 'readonly', localStorage: 'readonly' } },
    rules: {
      'no-undef': 'off',
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      'no-console': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "LogicalExpression[operator='||'] > MemberExpression.left[property.name=/_(ft|kt|kias|deg|deg_true|deg_mag|s|min|lb|gal|pct|fpm|hpa|c)$/]",
          message: 'Zero is a number: use ?? for what is not known.',
        },
        ...READ,
      ],
      'vue/no-restricted-syntax': ['error', ...READ],
      'vue/no-bare-strings-in-template': [
        'error',
        {
          allowlist: [...'(){}[]+−-=*/%×·°±–—:;,.?!‹›▲✕✓●◆◇~½¼¾²←→↑↓“”’⋯…◑▸'.split(''), ...UNITS, ...FORMS],
          attributes: { '/.+/': ['title', 'aria-label', 'aria-placeholder', 'placeholder', 'label', 'hint', 'alt'] },
        },
      ],
    },
  },
  // what makes the front end is read by nobody who flies
  { files: ['*.config.{js,ts}'], rules: { 'no-restricted-syntax': 'off' } },
)
