import '@fontsource-variable/source-code-pro/wght.css'
import '@fontsource-variable/source-sans-3/wght.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import './theme/tokens.css'
import './theme/steps.css'
import { vuetify } from './theme/vuetify'

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app')
