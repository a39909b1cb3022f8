// What the customer bought before, with what they paid; any of it is taken again, at today's price.
import { entry } from './fields.js';
import { send } from '../queue.js';

export default () => ({
    async flip({ detail }) {
        const place = this.$root;
        if (detail !== place.id) return;
        if (!place.hidden) {
            this.close();
            return;
        }
        const answer = await fetch(place.dataset.find, { headers: { 'X-Requested-With': 'fetch' } });
        if (!answer.ok || answer.redirected) return;
        place.innerHTML = await answer.text();
        place.hidden = false;
        place.querySelector('input')?.focus();
    },

    close() {
        this.$root.hidden = true;
        entry()?.focus();
    },

    press(event) {
        const row = event.target.closest('[data-again]');
        if (row) send(entry().dataset.add, { entry: '', item: row.dataset.again, quantity: '1', version: '' });
    },
});
