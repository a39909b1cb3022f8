// The lines of a slip, edited in place: from cell to cell, from line to line, and back to the entry line.
import { entry, go, save } from './fields.js';

/** The same cell of the line above or below; below the last is the entry line. */
function besides(field, step) {
    const column = [...document.querySelectorAll(`.slip-lines .cell[name="${field.name}"]`)];
    const next = column[column.indexOf(field) + step];
    if (next) go(next);
    else if (step > 0) entry()?.focus();
}

async function keep(field) {
    const answer = await save(field);
    if (answer === null || (answer.ok && !document.querySelector('[data-focus]'))) entry()?.focus();
}

export default () => ({
    key(event) {
        const field = event.target;
        if (!field.matches('.slip-lines .cell') || event.altKey) return;
        const acts = {
            Enter: () => keep(field),
            Escape: () => {
                field.value = field.defaultValue;
                entry()?.focus();
            },
            ArrowDown: () => besides(field, 1),
            ArrowUp: () => besides(field, -1),
        };
        if (!acts[event.key] || (event.ctrlKey && event.key === 'Enter')) return;
        event.preventDefault();
        acts[event.key]();
    },
});
