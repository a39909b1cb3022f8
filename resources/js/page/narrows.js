// A list that is narrowed by what is typed above it.
const rows = (root) => [...root.querySelectorAll('a, [data-row]')];

export default () => ({
    narrow({ target }) {
        const parts = target.value.toLowerCase().split(/\s+/);
        for (const row of rows(this.$root))
            row.classList.toggle('d-none', !parts.every((part) => row.textContent.toLowerCase().includes(part)));
    },

    first() {
        rows(this.$root).find((row) => !row.classList.contains('d-none'))?.click();
    },
});
