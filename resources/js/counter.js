// The counter page by keyboard: lines edited in place, the Settle band, and the keys that work anywhere on it.
import { bringBack, startBack } from './back.js';
import { send } from './redraw.js';

const entry = () => document.getElementById('entry');
const counter = () => document.querySelector('.counter');

/** Sends a field that saves itself, when it was changed. */
function save(field) {
    if (field.value === field.defaultValue || field.dataset.sent === field.value) return null;
    field.dataset.sent = field.value;
    const fields = { [field.name]: field.value };
    for (const other of document.querySelectorAll(`[data-with="${field.id}"]`)) fields[other.name] = other.value;
    return send(field.dataset.save, fields);
}

function fieldsOf(form) {
    return Object.fromEntries(new FormData(form));
}

function ways() {
    return [...document.querySelectorAll('#settle [data-way]')].filter((field) => !field.disabled);
}

function toSettle() {
    const first = ways()[0];
    first?.focus();
    first?.select?.();
}

function besides(field, step) {
    const column = [...document.querySelectorAll(`.slip-lines .cell[name="${field.name}"]`)];
    const next = column[column.indexOf(field) + step];
    if (next) {
        next.focus();
        next.select();
    } else if (step > 0) entry()?.focus();
}

function inCell(event) {
    const field = event.target;
    if (event.key === 'Enter' && !event.ctrlKey) {
        event.preventDefault();
        const done = save(field);
        if (done === null) entry()?.focus();
        else done.then((answer) => answer.ok && !document.querySelector('[data-focus]') && entry()?.focus());
    } else if (event.key === 'Escape') {
        event.preventDefault();
        field.value = field.defaultValue;
        entry()?.focus();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        event.preventDefault();
        besides(field, event.key === 'ArrowDown' ? 1 : -1);
    }
}

function inWay(event) {
    const field = event.target;
    const letter =
        event.key.length === 1 && !event.ctrlKey && !event.altKey && !event.metaKey ? event.key.toUpperCase() : '';
    const isButton = field.tagName === 'BUTTON';
    const jump =
        letter && (isButton || field.inputMode === 'decimal')
            ? document.querySelector(`#settle [data-way="${letter}"]`)
            : null;

    if (jump) {
        event.preventDefault();
        jump.focus();
        jump.select?.();
    } else if (isButton && event.key !== 'Escape') {
        // A button does what buttons do.
    } else if (event.key === 'Enter' && !event.ctrlKey) {
        event.preventDefault();
        if (field.dataset.submits !== undefined) field.form.requestSubmit();
        else if (field.dataset.send) sendWay(field);
        else if (field.dataset.rest !== undefined && field.value === '' && field.defaultValue === '')
            send(field.dataset.save, { rest: '1' });
        else save(field);
    } else if (event.key === 'Escape') {
        event.preventDefault();
        field.value = field.defaultValue;
        entry()?.focus();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        event.preventDefault();
        const all = ways();
        const next = all[all.indexOf(field) + (event.key === 'ArrowDown' ? 1 : -1)];
        next?.focus();
        next?.select?.();
    }
}

/** A way that asks something of the world outside, such as the card terminal, goes only when it is told to. */
function sendWay(field) {
    send(field.dataset.send, { [field.name]: field.value });
}

function post() {
    const button = document.getElementById('post');
    if (!button || button.disabled) return;
    const field = document.activeElement;
    const unsaved = field?.dataset?.save ? save(field) : null;
    (unsaved ?? Promise.resolve({ ok: true })).then(
        (answer) => answer.ok && send(document.getElementById('post').dataset.post),
    );
}

/** What was typed into the entry line and not found need not be typed again. */
function fromEntry(part) {
    const field = part.querySelector('[data-from-entry]');
    if (field && field.value === '')
        field.value = entry()
            .value.replace(/^\s*[\d.,]+\s*[x×]\s+/i, '')
            .replaceAll('*', ' ')
            .trim();
}

function toggle(id) {
    const part = document.getElementById(id);
    if (!part) return;
    part.hidden = !part.hidden;
    if (!part.hidden) fromEntry(part);
    if (!part.hidden) part.querySelector('input, select, textarea, button')?.focus();
    else entry()?.focus();
}

async function margin() {
    const place = document.getElementById('margin');
    if (!place) return;
    if (!place.hidden) {
        place.hidden = true;
        return;
    }
    const answer = await fetch(place.dataset.url, { headers: { 'X-Requested-With': 'fetch' } });
    if (answer.ok) {
        place.innerHTML = await answer.text();
        place.hidden = false;
    }
}

/** Puts a customer on the slip; 0 takes them off. */
function putCustomer(id) {
    const form = document.getElementById('new-customer');
    if (form) form.hidden = true;
    return send(entry().dataset.customer, { customer: id }).then(() => entry()?.focus());
}

function removeLine() {
    document.activeElement?.closest('tr.line')?.querySelector('[data-remove]')?.click();
}

/** Alt and a letter, the same everywhere on the page; none that a browser keeps for itself. */
const KEYS = {
    n: () => location.assign('/counter/new'),
    o: () => document.querySelector('.tabs [data-next-tab]')?.click(),
    p: () => document.querySelector('#elsewhere-open')?.click(),
    w: () => toggle('slip-discount'),
    m: margin,
    x: removeLine,
    l: () => toggle('one-off'),
    c: () => toggle('new-customer'),
    r: () => bringBack(),
    i: () => toggle('gift-card'),
    k: () => toggle('coupon-form'),
};

export function start() {
    if (!counter()) return;

    document.addEventListener('keydown', (event) => {
        if (event.ctrlKey && event.key === 'Enter') {
            event.preventDefault();
            post();
        } else if (event.altKey && !event.ctrlKey && KEYS[event.key.toLowerCase()]) {
            event.preventDefault();
            KEYS[event.key.toLowerCase()]();
        } else if (event.target.matches?.('.slip-lines .cell')) inCell(event);
        else if (event.target.matches?.('[data-way]')) inWay(event);
        else if (event.key === 'Escape' && event.target.closest?.('[data-folds]'))
            toggle(event.target.closest('[data-folds]').id);
    });

    document.addEventListener('change', (event) => {
        if (event.target.dataset?.save && !event.target.matches('[data-held]')) save(event.target);
        if (event.target.dataset?.sendsValue)
            send(event.target.dataset.sendsValue, { [event.target.dataset.field]: event.target.value });
        if (event.target.dataset?.paper)
            send(event.target.dataset.paper, {
                paper: event.target.value,
                mail_to: document.getElementById('mail_to')?.value ?? '',
            });
    });

    document.addEventListener('focusin', (event) => {
        if (event.target.matches('.cell, .amount')) event.target.select();
    });

    document.addEventListener('submit', (event) => {
        const form = event.target.closest('form[data-act]');
        if (!form) return;
        event.preventDefault();
        send(form.getAttribute('action'), fieldsOf(form)).then((answer) => {
            if (!answer.ok) return;
            if (form.dataset.closes) {
                form.reset();
                document.getElementById(form.dataset.closes).hidden = true;
            }
            if (form.id === 'one-off' || form.id === 'new-customer') {
                form.reset();
                form.hidden = true;
                entry().value = '';
            }
            if (form.dataset.act !== 'stay') entry()?.focus();
        });
    });

    document.addEventListener('click', (event) => {
        const target = event.target.closest('button');
        if (!target) return;
        if (target.id === 'post') post();
        else if (target.dataset.remove) send(target.dataset.remove).then(() => entry()?.focus());
        else if (target.dataset.cash) send(document.getElementById('cash').dataset.save, { cash: target.dataset.cash });
        else if (target.dataset.puts) putCustomer(target.dataset.puts);
        else if (target.dataset.sends)
            send(target.dataset.sends, target.dataset.field ? { [target.dataset.field]: target.value } : {});
        else if (target.dataset.toggles === 'bring-back') bringBack();
        else if (target.dataset.toggles) toggle(target.dataset.toggles);
        else if (target.dataset.margin !== undefined) margin();
        else if (target.dataset.sendsWay) sendWay(document.getElementById(target.dataset.sendsWay));
    });

    startBack();
    document.addEventListener('to-settle', toSettle);
    document.addEventListener('redrawn', () => {
        const next = document.querySelector('[data-focus]');
        if (next) next.focus();
    });
    entry()?.focus();
}
