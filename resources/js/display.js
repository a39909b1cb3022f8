// The customer display follows the slip: it asks once a second and swaps what it shows. While somebody signs, it stays.
import Alpine from '@alpinejs/csp';
import signing from './counter/signing.js';

const EVERY_MS = 1000;

setInterval(async () => {
    try {
        const answer = await fetch(location.href);
        if (!answer.ok) return;
        const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html').querySelector('main');
        const shown = document.querySelector('main');
        if (!fresh || (shown.dataset.signs && shown.dataset.signs === fresh.dataset.signs)) return;
        if (fresh.innerHTML !== shown.innerHTML) shown.replaceWith(document.importNode(fresh, true));
    } catch {
        // The next second tries again; meanwhile the last figures stay.
    }
}, EVERY_MS);

Alpine.data('signing', signing);
Alpine.start();
