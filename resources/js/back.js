// Goods that come back: what somebody bought, found while it is typed, and how many of each come back.
import { send } from './redraw.js';

const PAUSE_MS = 120;
let timer = null;
let asked = null;

const panel = () => document.getElementById('bring-back');
const line = () => document.getElementById('back-find');

/** Opens the panel, with what was scanned or typed already; open, it is closed again. */
export function bringBack(typed) {
    const place = panel();
    if (!place) return;
    if (!place.hidden && typed === undefined) {
        place.hidden = true;
        document.getElementById('entry')?.focus();
        return;
    }
    place.hidden = false;
    line().value = typed ?? '';
    line().focus();
    look().then(() => typed && firstQuantity()?.focus());
}

async function look() {
    clearTimeout(timer);
    asked?.abort();
    asked = new AbortController();
    try {
        const answer = await fetch(`${line().dataset.backFind}?q=${encodeURIComponent(line().value)}`, {
            signal: asked.signal,
            headers: { 'X-Requested-With': 'fetch' },
        });
        if (answer.ok && !answer.redirected) document.getElementById('returnable').innerHTML = await answer.text();
    } catch {
        // A newer look-up has taken over, or the server is away; typing goes on either way.
    }
}

const quantities = () => [...document.querySelectorAll('#returnable .back-quantity')];

const firstQuantity = () => quantities()[0];

function besides(field, step) {
    const all = quantities();
    (all[all.indexOf(field) + step] ?? (step < 0 ? line() : document.getElementById('back-take')))?.focus();
}

function takeAllOf(label) {
    for (const field of quantities()) if (field.dataset.of === label) field.value = field.dataset.left;
    document.getElementById('back-take')?.focus();
}

function key(event) {
    if (event.target === line() && event.key === 'Enter') {
        event.preventDefault();
        look().then(() => firstQuantity()?.focus());
    } else if (event.target === line() && event.key === 'ArrowDown') {
        event.preventDefault();
        firstQuantity()?.focus();
    } else if (event.target.matches?.('.back-quantity') && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
        event.preventDefault();
        besides(event.target, event.key === 'ArrowDown' ? 1 : -1);
    }
}

/** The item comes back without a receipt, for the reason chosen above. */
function blind(button) {
    const fields = {
        item: button.dataset.blind,
        quantity: '1',
        reason: document.getElementById('back-reason').value,
        goods_to: document.getElementById('back-goods').value,
    };
    send(button.dataset.url, fields).then((answer) => {
        if (!answer.ok) return;
        panel().hidden = true;
        document.getElementById('entry')?.focus();
    });
}

export function startBack() {
    const place = panel();
    if (!place) return;
    place.addEventListener('keydown', key);
    place.addEventListener('input', (event) => {
        if (event.target !== line()) return;
        clearTimeout(timer);
        timer = setTimeout(look, PAUSE_MS);
    });
    place.addEventListener('click', (event) => {
        const all = event.target.closest('[data-all-of]');
        if (all) takeAllOf(all.dataset.allOf);
        const item = event.target.closest('[data-blind]');
        if (item) blind(item);
    });
    if (place.dataset.open) setTimeout(() => bringBack(place.dataset.open));
}
