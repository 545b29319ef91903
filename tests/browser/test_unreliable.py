"""A network that fails before and after the server has had its say: what was tapped is what is stored.

The device's own sending runs in Node against the real server, in the way it has where a browser keeps nothing: the
page's memory. The storage of a browser, killed servers and two tabs are in tests/browser/test_cockpit.py.
"""

from typing import Any

import pytest

from tests.browser.conftest import Server
from tests.device.node import in_node

_DEVICE = """
const [base, seed, failing, count] = given
let state = seed
const random = () => { state = (state * 1103515245 + 12345) % 2147483648; return state / 2147483648 }
const pick = (options) => options[Math.floor(random() * options.length)]

const { createPinia, setActivePinia } = require('pinia')
setActivePinia(createPinia())
const { QueryClient } = require('@tanstack/vue-query')

// a browser's cookies and addresses
let cookie = '', isReliable = true
const fates = ['before', 'after', 'after'] // the first ones, so that each is met however quick the machine is
const fate = () => fates.shift() ?? (random() < failing ? pick(['before', 'after']) : 'fine')
const seen = { asked: 0, lost_before: 0, lost_after: 0 }
const Plain = global.Request
global.Request = class extends Plain { constructor(url, how) { super(typeof url === 'string' ? new URL(url, base) : url, how) } }
const fetched = global.fetch
global.fetch = async (request, how) => {
  seen.asked += 1
  const end = isReliable ? 'fine' : fate()
  if (end === 'before') { seen.lost_before += 1; throw new TypeError('failed to fetch') }
  const sent = new Plain(request, how)
  sent.headers.set('Cookie', cookie)
  const answer = await fetched(sent)
  for (const one of answer.headers.getSetCookie()) cookie = one.split(';')[0]
  if (end === 'after') { seen.lost_after += 1; throw new TypeError('failed to fetch') }
  return answer
}
global.window = { addEventListener() {}, setTimeout, clearTimeout, isSecureContext: false }
global.document = { addEventListener() {}, visibilityState: 'visible' }
Object.defineProperty(global, 'navigator', { value: {}, configurable: true })

const { http } = load('api/client')
const { api } = load('api/calls')
const { useSync } = load('offline/sync')
const { newId } = load('offline/ids')
const wait = (ms) => new Promise((done) => setTimeout(done, ms))

const people = (await api.serverSession()).demo_people
const session = await api.signInDemo(people.find((one) => one.role === 'chief').id)
const sorties = (await http.GET('/api/sorties')).data.sorties
const sortie = sorties.find((one) => !one.laps).id

const sync = useSync()
sync.start(new QueryClient())
sync.enter(session.person.id)
await wait(100)
isReliable = false
const tapped = new Map()
const ids = []
for (let n = 0; n < count; n++) {
  const lap = ids.length && random() < 0.5 ? pick(ids) : newId()
  if (!ids.includes(lap)) ids.push(lap)
  const gone = tapped.has(lap) && random() < 0.2
  const values = gone ? null : { outcome: pick(['touch_and_go', 'full_stop']), along_ft: 10 * Math.floor(random() * 120),
    flown_at: new Date(1790000000000 + ids.indexOf(lap) * 300000).toISOString(), known_by: {}, marks: [] }
  tapped.set(lap, values)
  void sync.put({ sortie_id: sortie, person_id: session.person.id, person_name: 'Marta', lap_id: lap, values, had_revision: null })
  if (random() < 0.4) await wait(random() * 60)
}
const waited = sync.lapsHere
// the network comes back for good
isReliable = true
for (let n = 0; n < 400 && (sync.lapsHere || sync.open.length); n++) { sync.soon(); await wait(25) }
const laps = (await http.GET('/api/sorties/{sortie_id}/laps', { params: { path: { sortie_id: sortie } } })).data.laps
return {
  ...seen, waited, left: sync.open.length, refused: sync.refused.length,
  tapped: Object.fromEntries([...tapped].filter(([, one]) => one).map(([id, one]) => [id, [one.outcome, one.along_ft, Date.parse(one.flown_at)]])),
  stored: Object.fromEntries(laps.map((one) => [one.id, [one.outcome, one.along_ft, Date.parse(one.flown_at)]])),
}
"""


@pytest.mark.parametrize(('seed', 'failing'), [(11, 0.3), (12, 0.6), (13, 0.85)])
def test_whatever_the_network_loses_what_was_tapped_is_what_is_stored(server: Server, seed: int, failing: float):
    found: dict[str, Any] = in_node(_DEVICE, [server.url, seed, failing, 70])
    assert found['lost_before'] > 0
    assert found['lost_after'] > 1  # taken by the server, and the device was never told
    assert found['left'] == found['refused'] == 0
    assert len(found['tapped']) > 15
    assert found['stored'] == found['tapped']
