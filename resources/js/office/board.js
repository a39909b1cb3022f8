// The board of deliveries by hand: a stop is dragged among those of its lorry, or to another; an order onto a lorry.
// The buttons of each stop do the same by key.
export default () => ({
    dragged: null,

    begin(event) {
        this.dragged = event.target.closest?.('[draggable]');
        event.dataTransfer?.setData('text/plain', this.dragged?.id ?? '');
    },

    over(event) {
        const lane = event.target.closest('[data-vehicle]');
        if (!this.dragged || !lane) return;
        event.preventDefault();
        this.mark(this.before(lane, event.clientY), lane);
    },

    drop(event) {
        const lane = event.target.closest('[data-vehicle]');
        const { dragged } = this;
        this.end();
        if (!dragged || !lane) return;
        event.preventDefault();
        const vehicle = lane.dataset.vehicle;
        if (dragged.dataset.order) this.post(dragged.dataset.put, { order: dragged.dataset.order, vehicle });
        else if (dragged.closest('[data-vehicle]') === lane) this.move(dragged, lane, event.clientY);
        else this.post(dragged.dataset.give, { ...this.seen(dragged), vehicle });
    },

    move(dragged, lane, y) {
        const stops = this.stops(lane);
        const from = stops.indexOf(dragged);
        const before = this.before(lane, y);
        const to = before ? stops.indexOf(before) : stops.length;
        const by = to > from ? to - from - 1 : to - from;
        if (by !== 0) this.post(dragged.dataset.move, { ...this.seen(dragged), by });
    },

    end() {
        this.dragged = null;
        this.mark(null, null);
    },

    stops: (lane) => [...lane.querySelectorAll('.stop')],

    /** The stop above which it would lie; none: the end. */
    before(lane, y) {
        return this.stops(lane).find((stop) => {
            const box = stop.getBoundingClientRect();
            return y < box.top + box.height / 2;
        });
    },

    mark(stop, lane) {
        this.$root.querySelectorAll('.lies-here').forEach((one) => one.classList.remove('lies-here'));
        (stop ?? lane)?.classList.add('lies-here');
    },

    seen: (stop) => ({ version: stop.dataset.version }),

    post(address, fields) {
        const form = Object.assign(document.createElement('form'), { method: 'post', action: address, hidden: true });
        const all = { ...fields, day: this.$root.dataset.day, _token: this.$root.dataset.token };
        for (const [name, value] of Object.entries(all)) {
            form.append(Object.assign(document.createElement('input'), { name, value }));
        }
        document.body.append(form);
        form.submit();
    },
});
