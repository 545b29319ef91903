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
import './styles/main.css'

const client = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always', // what is aboard answers without a network
      retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status),
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
const app = createApp(App).use(createPinia())
app.use(VueQueryPlugin, { queryClient: client }).use(router).mount('#app')
useSync().start(client)
void useTrack().closeAbandoned()
keepApplication()
