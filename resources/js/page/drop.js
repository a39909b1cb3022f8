// A part of the page that drops down from its button, takes the hand into it, and gives it back.
export default () => ({
    shown: false,

    flip() {
        this.shown = !this.shown;
        if (this.shown) this.$nextTick(() => this.$refs.panel.querySelector('input, a, button')?.focus());
    },

    hide() {
        this.shown = false;
    },

    hideAndReturn() {
        if (!this.shown) return;
        this.shown = false;
        this.$refs.opener.focus();
    },

    /** `?` shows the keys, unless something is being typed. */
    byKey(event) {
        if (event.key === '?' && !event.target.matches('input, textarea, select')) this.flip();
    },
});
