import { QueryCache, QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { ApiError } from './api/client'
import { sessionQuery } from './api/queries'
import { makeRouter } from './router'
import './styles/main.css'

const client = new QueryClient({
  defaultOptions: { queries: { retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status) } },
  queryCache: new QueryCache({
    onError(error) {
      // signed out elsewhere, or the session ran out: ask who is there again, and the router does the rest
      if (error instanceof ApiError && error.status === 401) void client.invalidateQueries(sessionQuery)
    },
  }),
})
const router = makeRouter(client)
createApp(App).use(createPinia()).use(VueQueryPlugin, { queryClient: client }).use(router).mount('#app')
