// The lines of a slip, edited in place: from cell to cell, from line to line, and back to the entry line.
import { entry, go, keysOf, save } from './fields.js';
import { lookAt } from './look.js';

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
        const item = field.closest('tr').dataset.item;
        // A discount may have a space in it.
        const looks = item && field.name !== 'discount' ? { ' ': () => lookAt(`item=${item}`) } : {};
        const act = { ...keysOf(field, keep, besides), ...looks }[event.key];
        if (!act || (event.ctrlKey && event.key === 'Enter')) return;
        event.preventDefault();
        act();
    },
});
