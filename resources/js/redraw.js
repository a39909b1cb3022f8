// Puts the page's redrawn parts in place, keeping what is being typed.
/** Panels within parts: the one that the hand is in stays open, and what the slip earns until it is closed. */
const KEPT_OPEN = '[data-part] [x-data=panel]:not([hidden]), #more-acts:not([hidden]), #margin:not([hidden])';
const isKeptOpen = (panel) => panel.id === 'margin' || panel.contains(document.activeElement);

/** Replaces every part of the page that the answer brings; false: it is of another slip than the page shows. */
export function swap(html) {
    const fresh = new DOMParser().parseFromString(html, 'text/html');
    const next = fresh.getElementById('slip-state')?.dataset;
    const now = document.getElementById('slip-state')?.dataset;
    if (now && next && ![now.slip, now.target].includes(next.slip)) return false;
    replace(fresh);
    return true;
}

/** Replaces them, and goes on with the slip they are of. */
export function replace(fresh) {
    const target = document.getElementById('slip-state')?.dataset.target;
    const typing = rememberTyping();
    const open = [...document.querySelectorAll(KEPT_OPEN)].filter(isKeptOpen).map(({ id }) => id);
    const refused = [...document.querySelectorAll('[data-part] [data-holds]')]
        .filter(({ dataset }) => !dataset.sent)
        .map((field) => ({ id: field.id, value: field.value, said: said(field) }));

    for (const part of fresh.querySelectorAll('[data-part]')) {
        for (const row of part.querySelectorAll('[data-same]')) row.replaceWith(document.getElementById(row.id) ?? row);
        document.getElementById(part.id)?.replaceWith(document.adoptNode(part));
    }

    for (const id of open) document.getElementById(id)?.removeAttribute('hidden');
    for (const field of refused) mark(field);
    adopt(target);
    restoreTyping(typing);
    document.querySelector('.fresh')?.scrollIntoView({ block: 'nearest' });
    document.dispatchEvent(new CustomEvent('redrawn'));
}

/** The row that a field stands in, and what is said there of it: why it was refused, and who may allow it. */
const row = (field) => field.closest('tr, li') ?? field.parentElement;
const said = (field) => [...row(field).querySelectorAll('.complaint, form.approve')];

/** What was refused and not dealt with since stays in its field, marked as not in force, with all that was said. */
function mark({ id, value, said: words }) {
    const field = document.getElementById(id);
    if (!field || field.dataset.holds !== undefined || field.value === value) return;
    field.dataset.holds = field.value;
    field.value = value;
    field.classList.add('is-refused');
    (row(field).querySelector('.words') ?? row(field)).append(...words);
}

/** What stands on the page for good works on the slip that the parts are of now. */
function adopt(before) {
    const { slip, target } = document.getElementById('slip-state')?.dataset ?? {};
    if (slip && location.pathname !== `/counter/${slip}`) history.replaceState(null, '', `/counter/${slip}`);
    if (!before || !target || before === target) return;
    for (const part of document.querySelectorAll('.counter [data-find], .counter form, .counter [data-back-find]'))
        if (!part.closest('[data-part]'))
            for (const { name, value } of [...part.attributes])
                if (value.includes(before)) part.setAttribute(name, value.replace(before, target));
}

function rememberTyping() {
    const field = document.activeElement;
    if (!field || !field.id) return null;
    const typed =
        'defaultValue' in field &&
        field.value !== field.defaultValue &&
        field.type !== 'radio' &&
        field.type !== 'checkbox';
    return {
        id: field.id,
        value: typed && field.dataset.sent === undefined ? field.value : null,
        at: field.selectionStart,
    };
}

function restoreTyping(typing) {
    if (typing === null) return;
    const field = document.getElementById(typing.id);
    if (!field || field === document.activeElement) return;
    field.focus({ preventScroll: true });
    if (typing.value === null) {
        field.select?.();
        return;
    }
    field.value = typing.value;
    try {
        field.setSelectionRange(typing.at, typing.at);
    } catch {
        // A field of this type has no selection.
    }
}

/** The lines the page shows, untouched, as they were drawn: what of them still holds is not sent again. */
export function drawn() {
    const touched = (field) => field.value !== field.defaultValue || field.dataset.sent !== undefined;
    return [...document.querySelectorAll('#lines tr[data-digest]')]
        .filter((row) => ![...row.querySelectorAll('input')].some(touched))
        .map((row) => `${row.id.slice(1)}:${row.dataset.digest}`)
        .join(',');
}

export function banner(words) {
    const place = document.getElementById('banner');
    if (!place) return;
    place.textContent = words;
    place.hidden = words === '';
}

export function token() {
    return document.querySelector('meta[name=csrf-token]').content;
}
