import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/css/app.scss',
                'resources/css/paper.scss',
                'resources/js/app.js',
                'resources/js/display.js',
            ],
            refresh: false,
        }),
    ],
    // The content security policy takes no data: fonts or scripts.
    build: { assetsInlineLimit: 0 },
    css: {
        preprocessorOptions: {
            scss: {
                quietDeps: true,
                silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
            },
        },
    },
});
