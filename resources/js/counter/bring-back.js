// Goods that come back: what somebody bought, found while it is typed, and how many of each come back.
import { send } from '../queue.js';
import { entry } from './fields.js';

const PAUSE_MS = 120;

const line = () => document.getElementById('back-find');
const quantities = () => [...document.querySelectorAll('#returnable .back-quantity')];
const first = () => quantities()[0]?.focus();

function besides(field, step) {
    const all = quantities();
    (all[all.indexOf(field) + step] ?? (step < 0 ? line() : document.getElementById('back-take')))?.focus();
}

function takeAllOf(label) {
    for (const field of quantities()) if (field.dataset.of === label) field.value = field.dataset.left;
    document.getElementById('back-take')?.focus();
}

export default () => ({
    timer: null,
    asked: null,

    init() {
        if (this.$root.dataset.open) setTimeout(() => this.open({ detail: this.$root.dataset.open }));
    },

    /** With what was scanned or typed already; open without it, it is closed again. */
    async open({ detail: typed }) {
        if (!this.$root.hidden && typed === undefined) {
            this.close();
            return;
        }
        this.$root.hidden = false;
        line().value = typed ?? '';
        line().focus();
        await this.look();
        if (typed) first();
    },

    close() {
        this.$root.hidden = true;
        entry()?.focus();
    },

    typed(event) {
        if (event.target !== line()) return;
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.look(), PAUSE_MS);
    },

    async look() {
        clearTimeout(this.timer);
        this.asked?.abort();
        this.asked = new AbortController();
        try {
            const answer = await fetch(`${line().dataset.backFind}?q=${encodeURIComponent(line().value)}`, {
                signal: this.asked.signal,
                headers: { 'X-Requested-With': 'fetch' },
            });
            if (answer.ok && !answer.redirected) document.getElementById('returnable').innerHTML = await answer.text();
        } catch {
            // A newer look-up has taken over, or the server is away; typing goes on either way.
        }
    },

    key(event) {
        const { target } = event;
        const acts = target === line()
            ? { Enter: () => this.look().then(first), ArrowDown: first }
            : target.matches('.back-quantity')
              ? { ArrowDown: () => besides(target, 1), ArrowUp: () => besides(target, -1) }
              : {};
        const act = event.key === 'Escape' ? () => this.close() : acts[event.key];
        if (!act || event.ctrlKey) return;
        event.preventDefault();
        act();
    },

    press(event) {
        const all = event.target.closest('[data-all-of]');
        if (all) takeAllOf(all.dataset.allOf);
        const item = event.target.closest('[data-blind]');
        if (item) this.blind(item);
    },

    /** The item comes back without a receipt, for the reason chosen above. */
    async blind(button) {
        const answer = await send(button.dataset.url, {
            item: button.dataset.blind,
            quantity: '1',
            reason: document.getElementById('back-reason').value,
            goods_to: document.getElementById('back-goods').value,
        });
        if (answer.ok) this.close();
    },
});
