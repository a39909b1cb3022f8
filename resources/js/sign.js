// Signing by mouse, pen or finger: the strokes become an SVG path, sent with the next act.
import { send } from './redraw.js';

let drawing = null;

function pad() {
    return document.querySelector('#sign .pad');
}

function place(event) {
    const box = pad().getBoundingClientRect();
    const view = pad().viewBox.baseVal;
    const within = (value, most) => Math.max(0, Math.min(most, Math.round(value)));
    const across = within(((event.clientX - box.left) * view.width) / box.width, view.width);
    const down = within(((event.clientY - box.top) * view.height) / box.height, view.height);

    return `${across} ${down}`;
}

function stroke(addition) {
    const path = pad().querySelector('path');
    path.setAttribute('d', `${path.getAttribute('d')} ${addition}`.trim());
    pad().classList.add('begun');
    document.querySelector('[data-sign-keep]').disabled = !path.getAttribute('d').includes('L');
}

export function start() {
    document.addEventListener('pointerdown', (event) => {
        if (!event.target.closest?.('#sign .pad')) return;
        event.preventDefault();
        drawing = place(event);
        stroke(`M${drawing}`);
    });
    document.addEventListener('pointermove', (event) => {
        if (drawing === null || pad() === null) return;
        const next = place(event);
        if (next === drawing) return;
        drawing = next;
        stroke(`L${next}`);
    });
    document.addEventListener('pointerup', () => {
        drawing = null;
    });
    document.addEventListener('click', (event) => {
        if (!event.target.closest?.('[data-sign-keep]')) return;
        send(document.getElementById('sign').dataset.sign, {
            signature: strokes(pad().querySelector('path').getAttribute('d')),
            signed_by: document.getElementById('signed-by').value,
        });
    });
}

/** A point that was only touched draws nothing and is left out. */
function strokes(path) {
    return path
        .split('M')
        .filter((one) => one.includes('L'))
        .map((one) => `M${one.trim()}`)
        .join(' ');
}
