// A payment that is worked on live, with its meeting lines: drawn again as it would be posted by now.
import { send } from '../queue.js';

const PAUSE_MS = 180;
// The form is drawn anew while somebody types in it: what waits outlives it, and means the one that is there then.
let timer = null;
const work = () => document.getElementById('payment-work');

export default () => ({
    fields() {
        return Object.fromEntries(new FormData(work()));
    },

    draw() {
        clearTimeout(timer);
        return send(work().dataset.live, this.fields());
    },

    choose(spread) {
        work().querySelector('[name=spread]').value = spread;
        this.draw();
    },

    typed(event) {
        clearTimeout(timer);
        if (event.target.matches('.part')) work().querySelector('[name=spread]').value = 'hand';
        timer = setTimeout(() => this.draw(), event.target.type === 'date' ? 0 : PAUSE_MS);
    },

    post() {
        clearTimeout(timer);
        send(work().dataset.posts, this.fields());
    },

    press(event) {
        const button = event.target.closest('[data-spread]');
        if (button) this.choose(button.dataset.spread);
    },

    key(event) {
        const letter = event.altKey ? event.key.toLowerCase() : '';
        const act =
            event.ctrlKey && event.key === 'Enter'
                ? () => this.post()
                : letter === 'g'
                  ? () => this.choose('oldest')
                  : letter === 'q'
                    ? () => work().querySelector('[data-spread="set-1"]')?.click()
                    : event.key === 'Enter' && event.target.matches('#payment-work input')
                      ? () => this.draw()
                      : null;
        if (act === null) return;
        event.preventDefault();
        act();
    },
});
