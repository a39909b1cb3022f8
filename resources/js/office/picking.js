// Picking: each scan goes to the server in its turn, and is answered with the list and a sound.
import { send } from '../queue.js';

export default () => ({
    scan(event) {
        const field = event.target.elements.scanned;
        const scanned = field.value.trim();
        field.value = '';
        if (scanned !== '') send(event.target.action, { scanned });
    },

    count({ target }) {
        if (target.dataset.counts) send(target.dataset.counts, { quantity: target.value });
    },

    // A scanner needs no keys on the glass; a second touch asks for them.
    show({ target }) {
        target.addEventListener('click', () => target.setAttribute('inputmode', 'text'), { once: true });
    },
});
