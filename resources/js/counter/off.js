// What a discount will be, while it is typed: "5" is a percentage, "5.00", "-5" and "5 off" an amount.
const AMOUNTS = [/^[-−–]?\s*([\d.,]+)\s*off$/i, /^[-−–]\s*([\d.,]+)$/];

function amount(text, places) {
    const written = places > 0 ? [new RegExp(`^(\\d+[.,]\\d{${places}})$`)] : [];
    return [...AMOUNTS, ...written].map((one) => text.match(one)).find((found) => found)?.[1];
}

const plain = (typed) => Number(typed.replace(',', '.'));

/** In words; empty: nothing, or nothing that can be read. */
export function says(typed, places) {
    const text = typed.trim();
    const off = amount(text, places);
    if (off !== undefined) return Number.isNaN(plain(off)) ? '' : `${plain(off).toFixed(places)} off`;
    const percent = text.match(/^([\d.,]+)\s*%?$/)?.[1];
    return percent === undefined || Number.isNaN(plain(percent)) ? '' : `${plain(percent)} % off`;
}

/** Shown right under the field, where the hand is. */
export default () => ({
    say({ target }) {
        if (target.name !== 'discount') return;
        const place = this.$root;
        place.textContent = says(target.value, Number(place.dataset.places));
        place.hidden = place.textContent === '';
        const at = target.getBoundingClientRect();
        place.style.top = `${at.bottom + 2}px`;
        place.style.left = `${Math.max(4, at.right - place.offsetWidth)}px`;
    },

    hide() {
        this.$root.hidden = true;
    },
});
