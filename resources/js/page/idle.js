// After a while without an act the page asks for the PIN, over what stands there: nothing on it is lost.
import { token } from '../redraw.js';

const LOOK_MS = 5000;

export default () => ({
    acted: Date.now(),

    init() {
        setInterval(() => this.look(), LOOK_MS);
    },

    act() {
        if (!this.$root.open) this.acted = Date.now();
    },

    look() {
        const minutes = Number(this.$root.dataset.minutes);
        if (minutes === 0 || this.$root.open || Date.now() - this.acted < minutes * 60_000) return;
        fetch(this.$root.dataset.lock, {
            method: 'POST',
            headers: { 'X-CSRF-TOKEN': token(), 'X-Requested-With': 'fetch' },
        });
        this.ask();
    },

    ask() {
        if (this.$root.open) return;
        this.$root.showModal();
        this.$root.querySelector('input').focus();
    },

    async unlock(event) {
        const form = event.target;
        const answer = await fetch(form.action, {
            method: 'POST',
            body: new FormData(form),
            headers: { 'X-CSRF-TOKEN': token(), 'X-Requested-With': 'fetch' },
        });
        if (answer.status === 401 || answer.status === 419 || answer.url.endsWith('/sign-in')) {
            location.assign('/sign-in');
            return;
        }
        const complaint = form.querySelector('.complaint');
        complaint.hidden = answer.ok;
        form.reset();
        if (answer.ok) {
            this.acted = Date.now();
            this.$root.close();
            document.dispatchEvent(new CustomEvent('pin-given'));
        } else {
            complaint.textContent = await answer.text();
            form.querySelector('input').focus();
        }
    },
});
