// Looking without taking: a customer, an item, the coupons that fit. The slip stays as it is.
import { entry } from './fields.js';

async function read(url) {
    const answer = await fetch(url, { headers: { 'X-Requested-With': 'fetch' } });
    return answer.ok && !answer.redirected ? answer.text() : null;
}

/** What is known of the slip's customer: the hand goes into it, and back. */
export const bought = () => ({
    async flip({ detail }) {
        const place = this.$root;
        if (detail !== place.id) return;
        if (!place.hidden) {
            this.close();
            return;
        }
        const text = await read(place.dataset.find);
        if (text === null) return;
        place.innerHTML = text;
        place.hidden = false;
        place.querySelector('input')?.focus();
    },

    close() {
        this.$root.hidden = true;
        entry()?.focus();
    },
});

/** A quick look at a row or a line: the hand stays where it is. */
export const look = () => ({
    at: '',

    async open({ detail: what }) {
        const place = this.$root;
        if (!place.hidden && this.at === what) {
            this.close();
            return;
        }
        const text = await read(`${place.dataset.find}?${what}`);
        if (text === null) return;
        this.at = what;
        place.innerHTML = text;
        place.hidden = false;
        // A grid is there to be picked from: it takes the hand.
        place.querySelector('button[data-cell]:not(:disabled)')?.focus();
    },

    close() {
        this.$root.hidden = true;
    },
});

/** A part of a panel that is read when the panel opens. */
export const fetched = () => ({
    async flip({ detail }) {
        const place = this.$root;
        const panel = place.parentElement;
        if (detail !== panel.id) return;
        place.innerHTML = (await read(place.dataset.find)) ?? '';
        if (!panel.hidden && !panel.contains(document.activeElement)) place.querySelector('input, select')?.focus();
    },
});

/** Looks at something, or away where it is looked at already. */
export const lookAt = (what) => window.dispatchEvent(new CustomEvent('look', { detail: what }));
export const lookAway = () => window.dispatchEvent(new CustomEvent('look-away'));
export const isLooking = () => document.getElementById('look')?.hidden === false;
