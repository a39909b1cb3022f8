// Notes and coins being counted: the server says what they come to, row by row; Enter goes to the next row.
import { token } from '../redraw.js';

const PAUSE_MS = 120;

export default () => ({
    timer: null,

    init() {
        this.sum();
    },

    typed() {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.sum(), PAUSE_MS);
    },

    async sum() {
        const table = this.$root;
        const answer = await fetch(table.dataset.sums, {
            method: 'POST',
            headers: { 'X-Requested-With': 'fetch', 'X-CSRF-TOKEN': token() },
            body: new URLSearchParams([...table.querySelectorAll('input')].map(({ name, value }) => [name, value])),
        });
        if (!answer.ok) return;
        const { worth, soFar, total } = await answer.json();
        for (const cell of table.querySelectorAll('[data-worth]')) cell.textContent = worth[cell.dataset.worth] ?? '';
        for (const cell of table.querySelectorAll('[data-so-far]')) cell.textContent = soFar[cell.dataset.soFar] ?? '';
        table.querySelector('[data-total]').textContent = total;
    },

    next(event) {
        const fields = [...event.target.form.querySelectorAll('input:not([type=hidden]), button')];
        fields[fields.indexOf(event.target) + 1]?.focus();
    },
});
