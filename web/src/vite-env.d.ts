/// <reference types="vite/client" />
declare module '@fontsource/andika/*';
declare module '@fontsource-variable/figtree/*';
