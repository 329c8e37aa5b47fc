import '@fontsource/overpass/latin-400.css'
import '@fontsource/overpass/latin-600.css'
import '@fontsource/overpass/latin-700.css'
import '@fontsource/overpass-mono/latin-400.css'
import '@fontsource/overpass-mono/latin-600.css'
import 'vuetify/styles'
import './style.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { makeRouter } from './router'
import { vuetify } from './theme'

const app = createApp(App)
app.use(createPinia())
app.use(makeRouter())
app.use(vuetify)
app.mount('#app')
