import "@fontsource/barlow/latin-400.css";
import "@fontsource/barlow/latin-500.css";
import "@fontsource/barlow/latin-600.css";
import "./app/style.css";
import { createPinia } from "pinia";
import PrimeVue from "primevue/config";
import { createApp } from "vue";
import App from "./app/App.vue";
import { router } from "./app/router";
import { applyTheme, preset } from "./app/theme";

applyTheme();
const nonce = document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.nonce;
createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, {
    csp: { nonce },
    theme: { preset, options: { darkModeSelector: "[data-theme=dark]", cssLayer: false } },
  })
  .mount("#app");
