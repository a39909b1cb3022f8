// After a while without an act the page asks for the PIN, over what stands there: nothing on it is lost.
import { token } from './redraw.js';

let acted = Date.now();

function ask() {
    const dialog = document.getElementById('idle');
    if (!dialog || dialog.open) return;
    dialog.showModal();
    dialog.querySelector('input').focus();
}

async function unlock(dialog, form) {
    const answer = await fetch(form.action, {
        method: 'POST',
        body: new FormData(form),
        headers: { 'X-CSRF-TOKEN': token(), 'X-Requested-With': 'fetch' },
    });
    if (answer.status === 401 || answer.status === 419 || answer.url.endsWith('/sign-in'))
        return location.assign('/sign-in');
    const complaint = form.querySelector('.complaint');
    complaint.hidden = answer.ok;
    form.reset();
    if (answer.ok) {
        acted = Date.now();
        dialog.close();
        document.dispatchEvent(new CustomEvent('pin-given'));
    } else {
        complaint.textContent = await answer.text();
        form.querySelector('input').focus();
    }
}

export function start() {
    const dialog = document.getElementById('idle');
    if (!dialog) return;
    const minutes = Number(dialog.dataset.minutes);
    document.addEventListener('ask-pin', ask);

    for (const act of ['keydown', 'pointerdown'])
        document.addEventListener(act, () => (dialog.open ? null : (acted = Date.now())), true);
    dialog.addEventListener('cancel', (event) => event.preventDefault());
    dialog.querySelector('form').addEventListener('submit', (event) => {
        event.preventDefault();
        unlock(dialog, event.target);
    });
    setInterval(() => {
        if (minutes === 0 || dialog.open || Date.now() - acted < minutes * 60_000) return;
        fetch(dialog.dataset.lock, {
            method: 'POST',
            headers: { 'X-CSRF-TOKEN': token(), 'X-Requested-With': 'fetch' },
        });
        ask();
    }, 5000);
}
