/** English texts of all other screens. */
const files = import.meta.glob<string>(
  [
    '../../../../src/bullseye/words/en/screen/*.ftl',
    '!../../../../src/bullseye/words/en/screen/app.ftl',
    '!../../../../src/bullseye/words/en/screen/common.ftl',
    '!../../../../src/bullseye/words/en/screen/parts.ftl',
    '!../../../../src/bullseye/words/en/screen/words.ftl',
    '!../../../../src/bullseye/words/en/screen/device.ftl',
    '!../../../../src/bullseye/words/en/screen/today.ftl',
    '!../../../../src/bullseye/words/en/screen/signin.ftl',
  ],
  { query: '?raw', import: 'default', eager: true },
)
export default Object.values(files).join('\n')
