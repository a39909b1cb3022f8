// A panel of the counter: a key or a button opens it and takes the hand into it, Escape closes it and gives the hand
// back to the entry line.
import { entry } from './fields.js';

const FIELDS = 'input:not([type=hidden], [hidden]), select, textarea, button';

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
    hand: null,

    flip(event) {
        if (event.detail === this.$root.id) this.turn(this.$root.hidden);
    },

    escape(event) {
        // A field that goes back to what it was does that first.
        if (!event.target.matches('[data-way], .cell')) this.turn(false);
    },

    turn(isOpen) {
        if (isOpen) this.hand = document.activeElement;
        this.$root.hidden = !isOpen;
        if (isOpen) fromEntry(this.$root);
        const back = this.hand?.isConnected && this.hand.id && this.hand !== document.body ? this.hand : entry();
        (isOpen ? this.$root.querySelector(FIELDS) : back)?.focus();
    },
});

/** The rarer acts: a letter or Enter chooses one, arrows go from one to the next. */
export const more = () => ({
    ...panel(),

    key(event) {
        const all = [...this.$root.querySelectorAll('button')];
        const at = all.indexOf(document.activeElement);
        const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        const named = all.find(({ dataset }) => dataset.letter === event.key.toUpperCase());
        if (event.altKey || event.ctrlKey || event.metaKey || (!step && !named)) return;
        event.preventDefault();
        step ? all[(at + step + all.length) % all.length].focus() : named.click();
    },

    /** It closes before what was chosen opens, and gives the hand back to where it was. */
    chosen(event) {
        if (event.target.closest('button')) this.turn(false);
    },
});

/** What the slip earns, looked up when it is asked for; the hand stays where it is. */
export const margin = () => ({
    init() {
        if (!this.$root.hidden) this.show();
    },

    async flip(event) {
        const place = this.$root;
        if (event.detail !== place.id) return;
        if (!place.hidden) {
            place.hidden = true;
            return;
        }
        await this.show();
    },

    /** Shown, it goes on with the slip. */
    async show() {
        const place = this.$root;
        const answer = await fetch(place.dataset.url, { headers: { 'X-Requested-With': 'fetch' } });
        if (answer.ok) {
            place.innerHTML = await answer.text();
            place.hidden = false;
        }
    },
});
