// The counter page: the keys that work anywhere on it, and what its buttons, fields and forms send.
import { send } from '../queue.js';
import { bringBack, entry, flip, save } from './fields.js';

/** Alt and a letter, the same everywhere on the page; none that a browser keeps for itself. */
const KEYS = {
    n: () => location.assign('/counter/new'),
    o: () => document.querySelector('.tabs [data-next-tab]')?.click(),
    p: () => document.querySelector('#elsewhere-open')?.click(),
    w: () => flip('slip-discount'),
    m: () => flip('margin'),
    x: () => document.activeElement?.closest('tr.line')?.querySelector('[data-remove]')?.click(),
    l: () => flip('one-off'),
    c: () => flip('new-customer'),
    r: () => bringBack(),
    i: () => flip('gift-card'),
    k: () => flip('coupon-form'),
};

/** What a button says it does, by the attribute that says it. */
const BUTTONS = {
    remove: (button) => send(button.dataset.remove).then(() => entry()?.focus()),
    cash: (button) => send(document.getElementById('cash').dataset.save, { cash: button.dataset.cash }),
    puts: (button) => putCustomer(button.dataset.puts),
    sends: ({ dataset, value }) => send(dataset.sends, dataset.field ? { [dataset.field]: value } : {}),
    toggles: ({ dataset }) => (dataset.toggles === 'bring-back' ? bringBack() : flip(dataset.toggles)),
    sendsWay: (button) => ask(document.getElementById(button.dataset.sendsWay)),
};

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

async function post() {
    const button = document.getElementById('post');
    if (!button || button.disabled) return;
    const field = document.activeElement;
    const saved = field?.dataset?.save ? await save(field) : null;
    if (saved === null || saved.ok) send(document.getElementById('post').dataset.post);
}

export default () => ({
    init() {
        entry()?.focus();
    },

    key(event) {
        const act = event.altKey && !event.ctrlKey ? KEYS[event.key.toLowerCase()] : undefined;
        const posts = event.ctrlKey && event.key === 'Enter';
        if (!posts && !act) return;
        event.preventDefault();
        posts ? post() : act();
    },

    press(event) {
        const button = event.target.closest('button');
        if (button?.id === 'post') post();
        const says = Object.keys(BUTTONS).find((name) => button?.dataset[name] !== undefined);
        if (says) BUTTONS[says](button);
    },

    change({ target }) {
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
        const answer = await send(form.getAttribute('action'), Object.fromEntries(new FormData(form)));
        if (!answer.ok) return;
        const panel = document.getElementById(form.dataset.closes ?? '');
        if (panel) {
            form.reset();
            panel.hidden = true;
        }
        if (form.dataset.takesEntry !== undefined) entry().value = '';
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
