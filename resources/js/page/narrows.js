// A list that is narrowed by what is typed above it.
const rows = (root) => {
    const marked = [...root.querySelectorAll('[data-row]')];
    return marked.length > 0 ? marked : [...root.querySelectorAll('a')];
};

export default () => ({
    narrow({ target }) {
        const parts = target.value.toLowerCase().split(/\s+/);
        for (const row of rows(this.$root))
            row.classList.toggle('d-none', !parts.every((part) => row.textContent.toLowerCase().includes(part)));
    },

    first() {
        const row = rows(this.$root).find(({ classList }) => !classList.contains('d-none'));
        (row?.querySelector('button') ?? row)?.click();
    },
});
