/** German texts of all other screens. */
const files = import.meta.glob<string>(
  [
    '../../../../src/bullseye/words/de/screen/*.ftl',
    '!../../../../src/bullseye/words/de/screen/app.ftl',
    '!../../../../src/bullseye/words/de/screen/common.ftl',
    '!../../../../src/bullseye/words/de/screen/parts.ftl',
    '!../../../../src/bullseye/words/de/screen/words.ftl',
    '!../../../../src/bullseye/words/de/screen/device.ftl',
    '!../../../../src/bullseye/words/de/screen/today.ftl',
    '!../../../../src/bullseye/words/de/screen/signin.ftl',
  ],
  { query: '?raw', import: 'default', eager: true },
)
export default Object.values(files).join('\n')
