import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { passes, ProblemError } from './api/client'
import { router } from './router'
import { applyStoredTheme } from './ui/theme'
import './style.css'

applyStoredTheme()
const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => (error instanceof ProblemError ? passes(error.problem) : true) && count < 3,
      staleTime: 5_000,
    },
  },
})
createApp(App).use(router).use(VueQueryPlugin, { queryClient }).mount('#app')
