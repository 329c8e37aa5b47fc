import '@fontsource/overpass/latin-400.css'
import '@fontsource/overpass/latin-600.css'
import '@fontsource/overpass/latin-700.css'
import '@fontsource/overpass-mono/latin-600.css'
import './surface.css'
import './control.css'
import { createApp } from 'vue'
import SurfaceApp from './SurfaceApp.vue'

const place = document.getElementById('surface')
const named = place?.dataset.surface ?? ''
/** The page that was kept on the phone does not know whose it is: its address does. */
const surface = named === '' ? (location.pathname.split('/')[2] ?? '') : named
if (place) createApp(SurfaceApp, { surface, isKept: named === '' }).mount(place)

// Browsers have it where the page came safely: over TLS, or on the machine itself.
void navigator.serviceWorker?.register('/surface-worker.js', { scope: '/s/' }).catch(() => null)
