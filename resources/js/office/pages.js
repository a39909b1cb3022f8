// Small things that the office's pages do by themselves.
import { send } from '../queue.js';

const LOOK_MS = 1000;

/** Looks how far the making of statements is, until none is left: each look draws this anew. */
export const statementRun = () => ({
    init() {
        if (this.$root.dataset.steps) setTimeout(() => send(this.$root.dataset.steps), LOOK_MS);
    },
});

/** Looks at its own page how far a work is; once that shows what came of it, so does this one. */
export const workProgress = () => ({
    init() {
        this.wait();
    },

    wait() {
        setTimeout(() => this.look(), LOOK_MS);
    },

    async look() {
        try {
            const answer = await fetch(this.$root.dataset.looks);
            const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html');
            const work = fresh.getElementById('work');
            if (answer.ok && work === null) return location.assign(this.$root.dataset.looks);
            if (work !== null) this.$root.innerHTML = work.innerHTML;
        } catch {
            // The shop's computer does not answer just now; what it does goes on without this page.
        }
        this.wait();
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
