// Signing by mouse, pen or finger: the strokes become an SVG path, sent when the signature is kept.
import { send } from '../queue.js';

/** A point that was only touched draws nothing and is left out. */
function strokes(path) {
    return path
        .split('M')
        .filter((one) => one.includes('L'))
        .map((one) => `M${one.trim()}`)
        .join(' ');
}

export default () => ({
    at: null,

    pad() {
        return this.$root.querySelector('.pad');
    },

    place(event) {
        const box = this.pad().getBoundingClientRect();
        const view = this.pad().viewBox.baseVal;
        const within = (value, most) => Math.max(0, Math.min(most, Math.round(value)));
        const across = within(((event.clientX - box.left) * view.width) / box.width, view.width);
        const down = within(((event.clientY - box.top) * view.height) / box.height, view.height);

        return `${across} ${down}`;
    },

    stroke(addition) {
        const path = this.pad().querySelector('path');
        path.setAttribute('d', `${path.getAttribute('d')} ${addition}`.trim());
        this.pad().classList.add('begun');
        const keep = this.$root.querySelector('.keep');
        if (keep) keep.disabled = !path.getAttribute('d').includes('L');
    },

    begin(event) {
        if (!event.target.closest('.pad')) return;
        event.preventDefault();
        this.at = this.place(event);
        this.stroke(`M${this.at}`);
    },

    draw(event) {
        if (this.at === null || this.pad() === null) return;
        const next = this.place(event);
        if (next === this.at) return;
        this.at = next;
        this.stroke(`L${next}`);
    },

    lift() {
        this.at = null;
    },

    /** Where it goes with a form and not by itself. */
    fill() {
        this.lift();
        const drawn = this.pad().querySelector('path').getAttribute('d');
        this.$root.querySelector('[name=signature]').value = strokes(drawn);
    },

    keep() {
        send(this.$root.dataset.sign, {
            signature: strokes(this.pad().querySelector('path').getAttribute('d')),
            signed_by: this.by(),
        });
    },

    by() {
        return this.$root.querySelector('[name=signed_by]')?.value ?? '';
    },

    /** Looks whether they have signed on their side, until they have or this is drawn anew. */
    async wait() {
        const root = this.$root;

        while (root.isConnected && root.dataset.waits) {
            const answer = await fetch(root.dataset.waits).catch(() => null);
            const signed = answer?.ok ? (await answer.json()).signed : false;
            if (signed && root.isConnected) {
                await send(root.dataset.takes, { signed_by: this.by() });
                return;
            }
            await new Promise((resolve) => setTimeout(resolve, 1000));
        }
    },
});
