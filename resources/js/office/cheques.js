// The sheet for cheques that came in: an account is found while it is typed, each line is posted by Enter.
import { send } from '../queue.js';

const PAUSE_MS = 180;

export default () => ({
    timer: null,

    typed(event) {
        if (!event.target.dataset.finds) return;
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.find(event.target), PAUSE_MS);
    },

    async find(field) {
        const place = document.getElementById('cheque-found');
        if (field.value.trim().length < 2) {
            place.innerHTML = '';
            return;
        }
        const answer = await fetch(`${field.dataset.finds}?q=${encodeURIComponent(field.value)}`, {
            headers: { 'X-Requested-With': 'fetch' },
        });
        if (answer.ok) place.innerHTML = await answer.text();
    },

    press(event) {
        const button = event.target.closest('button');
        const also = button?.dataset.also?.split(' ') ?? [];
        if (also.length > 0) this.post(Object.fromEntries(also.map((name) => [name, '1'])));
        if (!button?.dataset.number) return;
        document.getElementById('customer').value = button.dataset.number;
        document.getElementById('cheque-found').innerHTML = '';
        document.getElementById('amount').focus();
    },

    submit() {
        this.post({});
    },

    async post(more) {
        const form = this.$root.querySelector('[data-sheet]');
        const answer = await send(form.dataset.sheet, { ...Object.fromEntries(new FormData(form)), ...more });
        document.getElementById(answer.status === 422 ? 'amount' : 'customer')?.focus();
    },
});
