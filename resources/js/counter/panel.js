// A panel of the counter: a key or a button opens it and takes the hand into it, Escape closes it and gives the hand
// back to the entry line.
import { entry } from './fields.js';

/** What was typed into the entry line and not found need not be typed again. */
function fromEntry(panel) {
    const field = panel.querySelector('[data-from-entry]');
    if (field && field.value === '')
        field.value = entry()
            .value.replace(/^\s*[\d.,]+\s*[x×]\s+/i, '')
            .replaceAll('*', ' ')
            .trim();
}

export const panel = () => ({
    flip(event) {
        if (event.detail === this.$root.id) this.turn(this.$root.hidden);
    },

    escape(event) {
        // A field that goes back to what it was does that first.
        if (!event.target.matches('[data-way], .cell')) this.turn(false);
    },

    turn(isOpen) {
        this.$root.hidden = !isOpen;
        if (isOpen) fromEntry(this.$root);
        (isOpen ? this.$root.querySelector('input, select, textarea, button') : entry())?.focus();
    },
});

/** What the slip earns, looked up when it is asked for; the hand stays where it is. */
export const margin = () => ({
    async flip(event) {
        const place = this.$root;
        if (event.detail !== place.id) return;
        if (!place.hidden) {
            place.hidden = true;
            return;
        }
        const answer = await fetch(place.dataset.url, { headers: { 'X-Requested-With': 'fetch' } });
        if (answer.ok) {
            place.innerHTML = await answer.text();
            place.hidden = false;
        }
    },
});
