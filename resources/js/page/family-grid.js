// A grid of cells, each a link, a field or a button: arrows go from cell to cell, Enter on to the next field.
import { entry } from '../counter/fields.js';
import { lookAway } from '../counter/look.js';
import { send } from '../queue.js';

const STEPS = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };

export default () => ({
    /** How many are picked next, as it is typed on a cell. */
    many: '',

    rows() {
        return [...this.$root.querySelectorAll('tbody tr')].map((row) => [...row.querySelectorAll('td')]);
    },

    key(event) {
        const cell = event.target.closest('td');
        if (cell === null || event.ctrlKey || event.altKey || event.metaKey) return;
        const step = STEPS[event.key];
        if (step !== undefined && this.leaves(event)) {
            event.preventDefault();
            this.go(cell, step);
        } else if (event.key === 'Enter' && event.target.matches('input')) {
            event.preventDefault();
            this.next(event.target);
        } else if (event.target.matches('button')) {
            this.onButton(event);
        }
    },

    /** An arrow leaves a field only where the hand stands at its end. */
    leaves({ target, key }) {
        if (!target.matches('input') || key === 'ArrowUp' || key === 'ArrowDown') return true;
        if (target.selectionStart !== target.selectionEnd) return false;
        return key === 'ArrowLeft' ? target.selectionStart === 0 : target.selectionEnd === target.value.length;
    },

    /** The next cell that way that can be stood on. */
    go(cell, [down, across]) {
        const rows = this.rows();
        let row = rows.findIndex((one) => one.includes(cell));
        let column = rows[row].indexOf(cell);
        for (;;) {
            [row, column] = [row + down, column + across];
            const there = rows[row]?.[column];
            if (there === undefined) return;
            const stand = there.querySelector('[data-cell]:not(:disabled)');
            if (stand !== null) {
                this.take(stand);
                return;
            }
        }
    },

    next(field) {
        const all = [...this.$root.querySelectorAll('input[data-cell]')];
        const next = all[all.indexOf(field) + 1];
        if (next === undefined) field.form?.querySelector('button.main-act')?.focus();
        else this.take(next);
    },

    take(stand) {
        stand.focus();
        if (stand.matches('input')) stand.select();
    },

    onButton(event) {
        if (/^[\d.,]$/.test(event.key)) this.typed(event, this.many + event.key);
        else if (event.key === 'Backspace') this.typed(event, this.many.slice(0, -1));
        else if (event.key === 'Escape') {
            event.preventDefault();
            event.stopPropagation();
            lookAway();
            entry()?.focus();
        }
    },

    typed(event, many) {
        event.preventDefault();
        this.many = many;
        this.say();
    },

    say() {
        const place = this.$root.closest('.look')?.querySelector('[data-many-typed]');
        if (place) place.textContent = this.many === '' ? '' : `${this.many} ×`;
    },

    /** Sells the cell; the grid stays, for the next colour. */
    pick(event) {
        const cell = event.target.closest('button[data-item]');
        if (cell === null) return;
        const many = this.many.replace(',', '.') || '1';
        this.many = '';
        this.say();
        send(entry().dataset.add, { entry: cell.dataset.code, item: cell.dataset.item, quantity: many, version: '' });
    },
});
