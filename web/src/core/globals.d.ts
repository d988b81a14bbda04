/** Where the core for the page is served; its version is in the name. */
declare const __CORE_AT__: string;
