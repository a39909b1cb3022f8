// What a clerk does goes to the server one act after the other, in the order it was done. Each carries a key, so that
// one sent again after a lost answer still happens once.
import { sound } from './counter/sounds.js';
import { banner, drawn, replace, swap, token } from './redraw.js';

const RETRY_MS = 1500;
const queue = [];
let running = false;

const by = () => document.querySelector('[data-by]')?.dataset.by ?? '';

/** Sends fields to an address; resolves when its answer is on the page. */
export function send(url, fields = {}) {
    return new Promise((resolve) => {
        queue.push({
            url,
            fields: { ...fields, act: crypto.randomUUID ? crypto.randomUUID() : fallbackUuid() },
            resolve,
        });
        keep();
        run();
    });
}

/** Shows another slip on this page, after all that was done before: nothing typed meanwhile is lost. */
export function visit(url) {
    return new Promise((resolve) => {
        queue.push({ url, resolve });
        run();
    });
}

/** What waits is kept in this window, should the page be loaded again before it went; never a PIN. */
function keep() {
    const acts = queue
        .filter(({ fields }) => fields && !Object.keys(fields).some((name) => name.includes('pin')))
        .map(({ url, fields }) => ({ url, fields }));
    sessionStorage.setItem('acts', JSON.stringify({ by: by(), acts }));
}

/** Goes on with what the same person did before the page was loaded. */
export function resume() {
    const kept = JSON.parse(sessionStorage.getItem('acts') ?? '{}');
    sessionStorage.removeItem('acts');
    if (!kept.acts?.length) return;
    if (kept.by !== by()) {
        banner('Something done here before you did not go through, and was dropped. Look at the slip it was for.');
        return;
    }
    queue.unshift(...kept.acts.map((act) => ({ ...act, resolve: () => {} })));
    keep();
    run();
}

async function run() {
    if (running) return;
    working(true);

    while (queue.length > 0) {
        const { url, fields, resolve } = queue[0];
        const answer = await (fields ? attempt(url, fields) : look(url));
        if (answer === null) {
            await new Promise((again) => setTimeout(again, RETRY_MS));
            continue;
        }
        if (answer.status === 423) {
            // The PIN is asked for; then the same act goes on.
            document.dispatchEvent(new CustomEvent('ask-pin'));
            await new Promise((again) => document.addEventListener('pin-given', again, { once: true }));
            continue;
        }
        queue.shift();
        keep();
        resolve(await (fields ? put(answer) : show(answer)));
    }

    working(false);
}

/** The page says that it is about to be redrawn: to those who hear it, and to the hand of a test. */
function working(is) {
    running = is;
    document.body.ariaBusy = is ? 'true' : null;
}

async function attempt(url, fields) {
    const body = new URLSearchParams(fields);
    const state = document.getElementById('slip-state');
    const isOfThisSlip = state && url.includes(state.dataset.slip);
    if (state && fields.version === undefined) body.set('version', isOfThisSlip ? state.dataset.version : '');
    if (state) body.set('drawn', drawn());

    try {
        const answer = await fetch(url, {
            method: 'POST',
            body,
            headers: { 'X-CSRF-TOKEN': token(), 'X-Requested-With': 'fetch', Accept: 'text/html' },
        });
        if (answer.status === 503 || answer.status === 502) return wait();
        banner('');
        return answer;
    } catch {
        return wait();
    }
}

async function look(url) {
    try {
        const answer = await fetch(url, { headers: { Accept: 'text/html' } });
        if (answer.status === 503 || answer.status === 502) return wait();
        banner('');
        return answer;
    } catch {
        return wait();
    }
}

/** A page that is not the counter's is gone to as it is. */
async function show(answer) {
    const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html');
    if (!answer.ok || !fresh.getElementById('slip-state')) {
        location.assign(answer.url);
        return answer;
    }
    replace(fresh);
    return answer;
}

function wait() {
    banner('The shop’s computer does not answer. What you did is kept here and goes on as soon as it is back.');
    return null;
}

async function put(answer) {
    if (answer.status === 401 || answer.status === 419 || answer.url.endsWith('/sign-in')) {
        location.assign('/sign-in');
        return answer;
    }
    if (answer.headers.get('X-Location')) {
        location.assign(answer.headers.get('X-Location'));
        return answer;
    }
    sound(answer.headers.get('X-Sound'));
    if (answer.ok || answer.status === 422) {
        const isShown = swap(await answer.text());
        if (!isShown && answer.status === 422) banner('Something done on another slip was refused. Look at that slip.');
    }
    else
        banner(
            answer.status === 429
                ? 'That was too fast. Wait a moment.'
                : 'That did not work. Load the page again to see how the slip stands; if it stays so, tell the office.',
        );
    return answer;
}

/** Where the page is not served securely, browsers keep randomUUID to themselves. */
function fallbackUuid() {
    const bytes = crypto.getRandomValues(new Uint8Array(16));
    bytes[6] = (bytes[6] & 0x0f) | 0x40;
    bytes[8] = (bytes[8] & 0x3f) | 0x80;
    const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
    return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}
