// Small things that the office's pages do by themselves.
import { send } from '../queue.js';

/** Goes on making statements until the server says that none is left: each step draws this anew. */
export const statementRun = () => ({
    init() {
        if (this.$root.dataset.steps) setTimeout(() => send(this.$root.dataset.steps), 30);
    },
});

/** What was worked out before is not what is made now: it is worked out again first. */
export const workedOut = () => ({
    isStale: false,

    spoil() {
        this.isStale = true;
    },
});

/** A list that is scanned into begins with an empty line at its end. */
export const scannedInto = () => ({
    init() {
        const list = this.$root;
        if (list.value !== '' && !list.value.endsWith('\n')) list.value += '\n';
        list.setSelectionRange(list.value.length, list.value.length);
        list.scrollTop = list.scrollHeight;
    },
});

/** Says in words what the hand or the focus is on in a picture. */
export const lineReading = () => ({
    words: '',

    init() {
        this.words = this.$root.querySelector('p').textContent;
    },

    read({ target }) {
        this.words = target.dataset.reads ?? this.words;
    },
});
