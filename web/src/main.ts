import { QueryCache, QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { ApiError } from './api/client'
import { sessionQuery } from './api/queries'
import { useSync } from './offline/sync'
import { useTrack } from './offline/track'
import { keepApplication } from './offline/update'
import { makeRouter } from './router'
import { language, learn } from './said'
import { first } from './said/choice'
import { trouble } from './trouble'
import './styles/main.css'

/** English is always there; another language that cannot be read now is not waited for. */
async function start() {
  const wanted = first()
  await learn(wanted).catch(() => learn('en'))
  document.documentElement.lang = language()
}

const client = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always', // what is aboard answers without a network
      // without a network there is nothing to wait for: it is said at once
      retry: (count, error) => count < 2 && navigator.onLine && !(error instanceof ApiError && error.status),
    },
    mutations: { networkMode: 'always' },
  },
  queryCache: new QueryCache({
    onError(error) {
      // signed out elsewhere, or the session ran out: ask who is there again, and the router does the rest
      if (error instanceof ApiError && error.status === 401) void client.invalidateQueries(sessionQuery)
    },
  }),
})
const router = makeRouter(client)
router.onError((error) => trouble.tell(error))
const app = createApp(App).use(createPinia())
// nothing fails silently: what no screen has told is told at the top of the page
app.config.errorHandler = (error) => trouble.tell(error)
window.addEventListener('unhandledrejection', (event) => trouble.tell(event.reason))
// without an error of its own it is the browser's remark, such as that a layout took a second turn
window.addEventListener('error', (event) => event.error && trouble.tell(event.error))
// what is said at all is read before the first screen is drawn
await start()
app.use(VueQueryPlugin, { queryClient: client }).use(router).mount('#app')
useSync().start(client)
void useTrack().closeAbandoned()
keepApplication()
