// The counter page: the keys that work anywhere on it, and what its buttons, fields and forms send.
import { resume, send, visit } from '../queue.js';
import { bringBack, entry, flip, go, isOpen, save } from './fields.js';
import { lookAt } from './look.js';
import { listen, settled } from './scanner.js';

/** Alt and a letter, the same everywhere on the page; none that a browser keeps for itself. */
const KEYS = {
    n: () => fresh(),
    o: () => document.querySelector('.tabs [data-next-tab]')?.click(),
    s: () => document.querySelector('#folded-open')?.click(),
    p: () => document.querySelector('#elsewhere-open')?.click(),
    w: () => flip('slip-discount'),
    m: () => flip('margin'),
    x: () => document.activeElement?.closest('tr.line')?.querySelector('[data-remove]')?.click(),
    l: () => flip('one-off'),
    c: () => flip('new-customer'),
    r: () => bringBack(),
    i: () => flip('gift-card'),
    k: () => flip('coupon-form'),
    u: () => go(document.getElementById('purchase_order')),
    j: () => go(document.getElementById('job')),
    h: () => go(document.getElementById('contact')),
    b: () => flip('slip-note'),
    y: () => flip('other-day'),
    a: () => nextPaper(),
    v: () => flip('bought'),
    g: () => belonging(),
    t: () => document.getElementById('undo')?.click(),
    z: () => document.querySelector('#acts [data-clears]')?.click(),
    '.': () => flip('more-acts'),
};

/** Printed, mailed, none, and round again. */
function nextPaper() {
    const ways = [...document.querySelectorAll('#settle input[type=radio][name=paper]')];
    const next = ways[(ways.findIndex((way) => way.checked) + 1) % ways.length];
    next?.click();
}

/** What a button says it does, by the attribute that says it. */
const BUTTONS = {
    remove: (button) => send(button.dataset.remove).then(() => entry()?.focus()),
    cash: (button) => send(document.getElementById('cash').dataset.save, { cash: button.dataset.cash }),
    puts: (button) => putCustomer(button.dataset.puts),
    sends: ({ dataset, value }) => send(dataset.sends, dataset.field ? { [dataset.field]: value } : {}),
    toggles: ({ dataset }) => open(dataset.toggles),
    again: ({ dataset }) => again(dataset.again),
    looks: ({ dataset }) => lookAt(dataset.looks),
    coupon: ({ dataset }) => take(dataset.coupon),
    oneOff: (button) => nameIt(button.dataset.oneOff),
    sendsWay: (button) => ask(document.getElementById(button.dataset.sendsWay)),
};

/** Opens what a button names. */
function open(what) {
    if (what === 'bring-back') bringBack();
    // After this click is over: it is outside that panel, and would close it.
    else if (what === 'person-panel') setTimeout(() => document.getElementById('person-open').click());
    else flip(what);
}

/** A way that asks something of the world outside, such as the card terminal, goes only when it is told to. */
export function ask(field) {
    return send(field.dataset.send, { [field.name]: field.value });
}

/** Puts a customer on the slip; 0 takes them off. */
function putCustomer(id) {
    const form = document.getElementById('new-customer');
    if (form) form.hidden = true;
    return send(entry().dataset.customer, { customer: id }).then(() => entry()?.focus());
}

/** One more of an item, at the price it has now. */
const again = (item) => item && send(entry().dataset.add, { entry: '', item, quantity: '1', version: '' });

/** A coupon from the list of those that fit. */
function take(code) {
    document.getElementById('coupon').value = code;
    document.getElementById('coupon-form').requestSubmit();
}

/** What goes with the line the hand is on, or with the last that something goes with. */
function belonging() {
    const offered = [...document.querySelectorAll('#lines [data-again]')];
    const here = document.activeElement?.closest('tr.line')?.querySelector('[data-again]');
    const row = offered.at(-1)?.closest('tr.line');
    (here ?? row?.querySelector('[data-again]'))?.click();
}

/** Another slip, and the hand on its entry line. */
const fresh = () => visit('/counter/new').then(() => entry()?.focus());

/** What was scanned and is not known becomes a one-off line. */
function nameIt(scanned) {
    document.getElementById('one-off-unknown').value = scanned;
    document.getElementById('one-off-description').value = scanned;
    if (document.getElementById('one-off').hidden) flip('one-off');
    go(document.getElementById('one-off-description'));
}

/** What the page shows must be what is posted: anything that is not in force is pointed at first. */
function unsaid() {
    const typed = entry()?.value.trim();
    if (typed) return [entry(), `“${typed}” is still in the entry line. Take it or clear it, then post.`];
    const field = [...document.querySelectorAll('.counter [data-save]')].find(isOpen);
    if (!field) return null;
    const what = field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent.trim() ?? 'A field';
    return [field, `${what}: “${field.value}” is not in force. Correct it, or press Escape to leave it as it was.`];
}

function say(words) {
    const place = document.getElementById('not-yet');
    if (place) place.textContent = words;
}

async function post() {
    const button = document.getElementById('post');
    if (!button || button.disabled) return;
    const field = document.activeElement;
    if (field?.dataset?.save && field.dataset.holds === undefined) await save(field);
    const left = unsaid();
    say(left?.[1] ?? '');
    if (left) go(left[0]);
    else send(document.getElementById('post').dataset.post);
}

export default () => ({
    init() {
        listen();
        entry()?.focus();
        resume();
    },

    key(event) {
        if (event.key === 'Enter' && !event.ctrlKey && event.target.matches('.who-fields input')) {
            event.preventDefault();
            save(event.target);
            entry()?.focus();
            return;
        }
        const act = event.altKey && !event.ctrlKey ? KEYS[event.key.toLowerCase()] : undefined;
        const posts = event.ctrlKey && event.key === 'Enter';
        if (!posts && !act) return;
        event.preventDefault();
        posts ? post() : act();
    },

    press(event) {
        const link = event.target.closest('.tabs a, #next-customer');
        if (link && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
            event.preventDefault();
            visit(link.href).then(() => entry()?.focus());
            return;
        }
        const button = event.target.closest('button');
        if (button?.id === 'post') post();
        const says = Object.keys(BUTTONS).find((name) => button?.dataset[name] !== undefined);
        if (says) BUTTONS[says](button);
    },

    async change({ target }) {
        await settled();
        // A scan ran through it, and the hand is back in it.
        const isBack = target === document.activeElement && target.matches('[data-save]') && !isOpen(target);
        if (isBack || !target.isConnected) return;
        const { save: saves, held, sendsValue, field, paper } = target.dataset;
        if (saves && held === undefined) save(target);
        if (sendsValue) send(sendsValue, { [field]: target.value });
        if (paper)
            send(paper, { paper: target.value, mail_to: document.getElementById('mail_to')?.value ?? '' });
    },

    async submit(event) {
        const form = event.target.closest('form[data-act]');
        if (!form) return;
        event.preventDefault();
        const closes = form.dataset.closes ?? form.closest('[x-data=panel]')?.id ?? '';
        const answer = await send(form.getAttribute('action'), Object.fromEntries(new FormData(form)));
        if (!answer.ok) return;
        const panel = document.getElementById(closes);
        if (panel) {
            if (form.isConnected) form.reset();
            panel.hidden = true;
        }
        if (form.dataset.takesEntry !== undefined) entry().value = '';
        if (form.dataset.setsAside !== undefined) await fresh();
        if (form.dataset.act !== 'stay') entry()?.focus();
    },

    /** What is typed over is chosen whole. */
    select({ target }) {
        if (target.matches('.cell, .amount')) target.select();
    },

    /** After a redraw the page may ask for something. */
    next() {
        document.querySelector('[data-focus]')?.focus();
    },
});
