/** All English texts of the screens. */
const files = import.meta.glob<string>('../../../src/bullseye/words/en/screen/*.ftl', {
  query: '?raw',
  import: 'default',
  eager: true,
})
export default Object.values(files).join('\n')
