// What the parts of the counter share: the entry line, and fields that save themselves.
import { send } from '../queue.js';

export const entry = () => document.getElementById('entry');

export function go(field) {
    field?.focus();
    field?.select?.();
}

/** Whether it shows something else than what holds: what was refused, or what nobody sent yet. */
export function isOpen(field) {
    const chosen = field.tagName === 'SELECT' ? [...field.options].find((option) => option.defaultSelected) : null;
    const holds = field.dataset.holds ?? (chosen === null ? field.defaultValue : (chosen ?? field.options[0])?.value);
    return field.value !== holds;
}

/** Sends a field that saves itself, when it was changed; null: there was nothing to send. */
export function save(field) {
    if (!isOpen(field) || field.dataset.sent === field.value) return null;
    field.dataset.sent = field.value;
    const fields = { [field.name]: field.value };
    for (const other of document.querySelectorAll(`[data-with="${field.id}"]`)) fields[other.name] = other.value;
    return send(field.dataset.save, fields);
}

/** Puts back what holds. */
function holds(field) {
    field.value = field.dataset.holds ?? field.defaultValue;
    field.defaultValue = field.value;
    delete field.dataset.holds;
    for (const said of (field.closest('tr, li') ?? field.parentElement).querySelectorAll('.complaint, form.approve'))
        said.remove();
    field.classList.remove('is-refused');
}

/** The keys of a field among others: it is kept, put back as it was, or left for the one below or above. */
export const keysOf = (field, keep, besides) => ({
    Enter: () => keep(field),
    Escape: () => {
        holds(field);
        entry()?.focus();
    },
    ArrowDown: () => besides(field, 1),
    ArrowUp: () => besides(field, -1),
});

/** Opens a panel, or closes it where it is open. */
export function flip(panel) {
    window.dispatchEvent(new CustomEvent('flip-panel', { detail: panel }));
}

/** Opens the panel for goods that come back, with what was scanned or typed already. */
export function bringBack(typed) {
    window.dispatchEvent(new CustomEvent('bring-back', { detail: typed }));
}
