// A part of the page that drops down from its button, takes the hand into it, and gives it back.
export default () => ({
    shown: false,
    hand: null,

    flip() {
        if (!this.shown) this.hand = document.activeElement;
        this.shown = !this.shown;
        // It is shown with the next frame, and takes no hand before.
        if (this.shown) this.$nextTick(() => requestAnimationFrame(() => this.take()));
    },

    take() {
        this.$refs.panel.querySelector('input:not([type=hidden]), a, button')?.focus();
    },

    hide() {
        this.shown = false;
    },

    hideAndReturn() {
        if (!this.shown) return;
        this.shown = false;
        const isBack = this.hand?.isConnected && this.hand !== document.body;
        (isBack ? this.hand : this.$refs.opener).focus();
    },

    /** F1 shows the keys everywhere, `?` where nothing is being typed. */
    byKey(event) {
        const { target, key } = event;
        const isTyping = target.matches('input, textarea, select') && !(target.id === 'entry' && target.value === '');
        if (key !== 'F1' && (key !== '?' || isTyping)) return;
        event.preventDefault();
        this.flip();
    },
});
