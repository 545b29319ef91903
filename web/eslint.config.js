import pluginVue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

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
      ],
    },
  },
)
