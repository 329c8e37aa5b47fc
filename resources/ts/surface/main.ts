import '@fontsource/overpass/latin-400.css'
import '@fontsource/overpass/latin-600.css'
import '@fontsource/overpass/latin-700.css'
import '@fontsource/overpass-mono/latin-600.css'
import './surface.css'
import './control.css'
import { createApp } from 'vue'
import SurfaceApp from './SurfaceApp.vue'

const place = document.getElementById('surface')
if (place) createApp(SurfaceApp, { surface: place.dataset.surface ?? '' }).mount(place)
