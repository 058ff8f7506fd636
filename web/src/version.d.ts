/// <reference types="vite-plugin-pwa/client" />
/** The version of the program, put in when it is built. */
declare const __VERSION__: string
