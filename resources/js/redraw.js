// Puts the page's redrawn parts in place, keeping what is being typed.
/** Replaces every part of the page that the answer brings. */
export function swap(html) {
    const fresh = new DOMParser().parseFromString(html, 'text/html');
    const typing = rememberTyping();

    for (const part of fresh.querySelectorAll('[data-part]')) {
        for (const row of part.querySelectorAll('[data-same]')) row.replaceWith(document.getElementById(row.id) ?? row);
        document.getElementById(part.id)?.replaceWith(document.adoptNode(part));
    }

    restoreTyping(typing);
    document.querySelector('.fresh')?.scrollIntoView({ block: 'nearest' });
    document.dispatchEvent(new CustomEvent('redrawn'));
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
