// The office pages that are worked on live: a payment with its meeting lines, the sheet for cheques, a run of
// statements.
import { send } from './redraw.js';

const PAUSE_MS = 180;
let timer = null;

function work() {
    return document.getElementById('payment-work');
}

function fields() {
    return Object.fromEntries(new FormData(work()));
}

/** Draws the payment again as it would be posted by now. */
function draw() {
    clearTimeout(timer);
    return send(work().dataset.live, fields());
}

function choose(spread) {
    work().querySelector('[name=spread]').value = spread;
    draw();
}

function typed(event) {
    clearTimeout(timer);
    if (event.target.matches('.part')) work().querySelector('[name=spread]').value = 'hand';
    timer = setTimeout(draw, event.target.type === 'date' ? 0 : PAUSE_MS);
}

async function post() {
    clearTimeout(timer);
    await send(work().dataset.posts, fields());
}

async function findAccount(field) {
    const place = document.getElementById('cheque-found');
    if (field.value.trim().length < 2) {
        place.innerHTML = '';
        return;
    }
    const answer = await fetch(`${field.dataset.finds}?q=${encodeURIComponent(field.value)}`, {
        headers: { 'X-Requested-With': 'fetch' },
    });
    if (answer.ok) place.innerHTML = await answer.text();
}

async function postLine(form, sure) {
    const answer = await send(form.dataset.sheet, {
        ...Object.fromEntries(new FormData(form)),
        ...(sure ? { sure: '1' } : {}),
    });
    document.getElementById(answer.ok ? 'customer' : answer.status === 422 ? 'amount' : 'customer')?.focus();
}

/** Goes on making statements until the server says that none is left. */
async function steps() {
    const run = document.getElementById('run');
    if (!run?.dataset.steps) return;
    const answer = await send(run.dataset.steps);
    if (answer.ok) setTimeout(steps, 30);
}

export function start() {
    steps();

    document.addEventListener('input', (event) => {
        // What was worked out before is not what is made now: it is worked out again first.
        if (event.target.closest('form[data-draws]'))
            document.querySelectorAll('[data-drawn]').forEach((button) => (button.disabled = true));
        if (event.target.closest('#payment-work')) typed(event);
        else if (event.target.dataset?.finds) {
            clearTimeout(timer);
            timer = setTimeout(() => findAccount(event.target), PAUSE_MS);
        }
    });
    document.addEventListener('click', (event) => {
        const target = event.target.closest('button');
        if (target?.dataset.spread) choose(target.dataset.spread);
        if (target?.dataset.sure !== undefined) postLine(document.querySelector('[data-sheet]'), true);
        if (target?.dataset.number) {
            document.getElementById('customer').value = target.dataset.number;
            document.getElementById('cheque-found').innerHTML = '';
            document.getElementById('amount').focus();
        }
    });
    document.addEventListener('submit', (event) => {
        if (event.target.id === 'payment-work') {
            event.preventDefault();
            post();
        } else if (event.target.dataset?.sheet) {
            event.preventDefault();
            postLine(event.target, false);
        }
    });
    document.addEventListener('keydown', (event) => {
        if (!work()) return;
        if (event.ctrlKey && event.key === 'Enter') {
            event.preventDefault();
            post();
        } else if (event.altKey && event.key.toLowerCase() === 'g') {
            event.preventDefault();
            choose('oldest');
        } else if (event.altKey && event.key.toLowerCase() === 'q') {
            event.preventDefault();
            work().querySelector('[data-spread="set-1"]')?.click();
        } else if (event.key === 'Enter' && event.target.matches('#payment-work input')) {
            event.preventDefault();
            draw();
        }
    });
    for (const event of ['focusin', 'mouseover']) {
        document.addEventListener(event, (moved) => {
            const words = moved.target.dataset?.reads;
            if (words) document.getElementById('line-reading').textContent = words;
        });
    }
}
