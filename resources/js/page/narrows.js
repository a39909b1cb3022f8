// A list that is narrowed by what is typed above it.
const links = (root) => [...root.querySelectorAll('a')];

export default () => ({
    narrow({ target }) {
        const parts = target.value.toLowerCase().split(/\s+/);
        for (const link of links(this.$root))
            link.classList.toggle('d-none', !parts.every((part) => link.textContent.toLowerCase().includes(part)));
    },

    first() {
        links(this.$root).find((link) => !link.classList.contains('d-none'))?.click();
    },
});
