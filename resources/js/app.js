import Alpine from '@alpinejs/csp';
import { start as startAccounts } from './accounts.js';
import { start } from './counter.js';
import entry from './entry.js';
import { start as startIdle } from './idle.js';
import { start as startSigning } from './sign.js';

Alpine.data('entry', entry);
Alpine.data('drop', () => ({
    shown: false,
    flip() {
        this.shown = !this.shown;
        if (this.shown) this.$nextTick(() => this.$refs.panel.querySelector('input, a, button')?.focus());
    },
    hide() {
        this.shown = false;
    },
    hideAndReturn() {
        if (!this.shown) return;
        this.shown = false;
        this.$refs.opener.focus();
    },
}));
Alpine.data('prints', () => ({
    now() {
        window.print();
    },
}));
Alpine.start();
start();
startAccounts();
startSigning();
startIdle();

// `?` shows the keys, unless something is being typed.
document.addEventListener('keydown', (event) => {
    if (event.key === '?' && !event.target.matches('input, textarea, select'))
        document.getElementById('keys-open')?.click();
});
