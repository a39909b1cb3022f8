// One rule for where typing goes: fingers write where the hand is, and what is scanned reaches the entry line, wherever
// the hand is. A scan is a run of characters faster than fingers, ended as the scanner ends it (Enter or Tab).
// docs/typing.md has the table.

/** Between its characters, on average; the most between two; and before what a scanner sends after its suffix. */
const EACH_MS = 45;
const GAP_MS = 90;
const AFTER_MS = 150;

/** Fewer characters are no code of anything. */
const LEAST = 4;

let run = null;
let scannedAt = -Infinity;

/** The field that is made for a scan (a serial number, a card's number) keeps what is scanned into it. */
const isMadeForIt = (field) => field?.matches?.('[data-takes-scan]') ?? false;

const isText = (field) => field?.matches?.('input:not([type=radio], [type=checkbox]), textarea') ?? false;

function begin(event) {
    return {
        text: '',
        count: 0,
        began: event.timeStamp,
        last: event.timeStamp,
        hand: document.activeElement,
        before: new Map(),
    };
}

/** What a field said before the run wrote into it. */
function remember(field) {
    if (field && 'value' in field && !run.before.has(field))
        run.before.set(field, { value: field.value, at: isText(field) ? field.selectionStart : null });
}

function isScan(event) {
    return (
        run !== null &&
        run.text.trim().length >= LEAST &&
        event.timeStamp - run.last <= GAP_MS &&
        (run.last - run.began) / (run.count - 1) <= EACH_MS
    );
}

function putBack({ hand, before }) {
    for (const [field, { value, at }] of before) {
        field.value = value;
        if (at !== null) field.setSelectionRange(at, at);
    }
    if (document.activeElement !== hand) hand?.focus({ preventScroll: true });
}

function stop(event) {
    event.preventDefault();
    event.stopImmediatePropagation();
}

function suffix(event) {
    const made = isMadeForIt(document.activeElement);
    if (isScan(event) && !made) {
        stop(event);
        const ended = run;
        run = null;
        scannedAt = event.timeStamp;
        putBack(ended);
        window.dispatchEvent(new CustomEvent('scanned', { detail: ended.text.trim() }));
        return;
    }
    // Some scanners end with two.
    if (event.timeStamp - scannedAt < AFTER_MS) {
        scannedAt = event.timeStamp;
        stop(event);
        return;
    }
    if (isScan(event) && made) scannedAt = event.timeStamp;
    run = null;
}

function keydown(event) {
    if (event.isComposing || event.ctrlKey || event.altKey || event.metaKey || event.repeat) {
        run = null;
        return;
    }
    if (event.key === 'Shift' || event.key === 'CapsLock') return;
    if (event.key === 'Enter' || event.key === 'Tab') {
        suffix(event);
        return;
    }
    if (event.key.length !== 1) {
        run = null;
        return;
    }
    if (run === null || event.timeStamp - run.last > GAP_MS) run = begin(event);
    run.text += event.key;
    run.count++;
    run.last = event.timeStamp;
    const field = document.activeElement;
    if (isText(field)) remember(field);
    else hold(event, field);
}

/** Outside of text a character would choose or press something: it waits until it is clear that it stands alone. */
function hold(event, field) {
    if (field?.tagName === 'SELECT') {
        event.preventDefault();
        const letter = event.key.toLowerCase();
        alone(() => choose(field, letter));
    } else if (event.key === ' ' && run.count > 1) {
        event.preventDefault();
    }
}

/** The next choice that begins with the letter. */
function choose(field, letter) {
    const all = [...field.options];
    const after = [...all.slice(field.selectedIndex + 1), ...all.slice(0, field.selectedIndex + 1)];
    const next = after.find((option) => option.text.trim().toLowerCase().startsWith(letter));
    if (!next || next.selected) return;
    next.selected = true;
    field.dispatchEvent(new Event('change', { bubbles: true }));
}

/** Does something unless more of a run follows: one key is a finger's. */
function alone(act) {
    const of = run;
    const count = run?.count;
    setTimeout(() => {
        if (run === null || run !== of || run.count === count) act();
    }, GAP_MS);
}

/** Whether the key just pressed goes on from others that came faster than fingers. */
export const isRunning = () => run !== null && run.count > 1;

/** When it is clear whether what was just typed is a scan. */
export function settled() {
    const wait = run === null ? 0 : run.last + GAP_MS + 5 - performance.now();
    return wait <= 0 ? Promise.resolve() : new Promise((resolve) => setTimeout(resolve, wait));
}

/** From here on everything typed on the page is looked at before anything else sees it. */
export function listen() {
    window.addEventListener('keydown', keydown, true);
    window.addEventListener('pointerdown', () => (run = null), true);
}
