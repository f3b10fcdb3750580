import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource/atkinson-hyperlegible-mono/700.css'
import 'element-plus/theme-chalk/base.css'
import './styles/tokens.css'
import './styles/base.css'
import './styles/element.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'

const app = createApp(App).use(createPinia()).use(router)

// The frame around a page hangs on which page it is.
void router.isReady().then(() => app.mount('#app'))
