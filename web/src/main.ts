import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { ProblemError } from './api/client'
import { router } from './router'
import { applyStoredTheme } from './ui/theme'
import './style.css'

applyStoredTheme()
const queryClient = new QueryClient({
  defaultOptions: { queries: { retry: (count, error) => !(error instanceof ProblemError && error.problem.type !== '/problems/unreachable') && count < 2, staleTime: 5_000 } },
})
createApp(App).use(router).use(VueQueryPlugin, { queryClient }).mount('#app')
