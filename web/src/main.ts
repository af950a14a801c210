import './shared/look/fonts.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { keepApplication } from './shared/appUpdate.ts'
import { facesFirst } from './shared/facesFirst.ts'
import { vuetify } from './shared/look/theme.ts'
import './shared/look/app.css'

const app = createApp(App).use(createPinia()).use(router).use(vuetify)
facesFirst().then(() => app.mount('#app'))

// once the page has what it needs: fetching everything else must not stand in its way
window.addEventListener('load', () => keepApplication().catch(() => undefined))
