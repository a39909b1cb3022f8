// A sheet of rows with a code and how many. Each scan is one more of what it names: in its row if it has one, else in
// the next empty one. Enter after a code goes on to the next row, and never sends the sheet.
export default () => ({
    scanned(event) {
        const field = event.target;
        if (event.key !== 'Enter' || !field.matches('[data-code]')) return;
        event.preventDefault();
        if (field.value.trim() === '') return;
        const row = this.same(field) ?? field.closest('tr');
        const many = row.querySelector('[data-many]');
        many.value = String((Number(many.value.replace(',', '.')) || 0) + 1);
        if (row !== field.closest('tr')) field.value = '';
        this.next()?.focus();
    },

    same(field) {
        const code = field.value.trim().toUpperCase();
        const own = field.closest('tr');
        const codes = (row) => (row.dataset.codes ?? row.querySelector('[data-code]')?.value ?? '').toUpperCase();
        return this.rows().find((row) => row !== own && codes(row).trim().split(' ').includes(code));
    },

    next() {
        return this.rows().map((row) => row.querySelector('[data-code]')).find((one) => one?.value === '');
    },

    rows() {
        return [...this.$root.querySelectorAll('tbody tr')];
    },
});
