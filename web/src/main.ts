import './shared/fonts.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { vuetify } from './shared/theme.ts'
import './shared/app.css'

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app')
