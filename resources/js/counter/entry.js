// The entry line: whatever is scanned or typed. Enter takes it at once, so that a scanner can go on without waiting.
import { bringBack } from './fields.js';
import { send } from '../queue.js';
import { isLooking, lookAt, lookAway } from './look.js';

const PAUSE_MS = 90;

/** The number of a receipt, as it is printed, scanned or said. */
const RECEIPT = /^INV[- ]?\d+$/i;

export default () => ({
    open: false,
    /** Whether rows are gone through by arrows, so that Space looks at one. */
    isChoosing: false,
    /** The department that the list is narrowed to; forgotten when something is taken. */
    department: '',
    timer: null,
    asked: null,

    get line() {
        return document.getElementById('entry');
    },

    typed() {
        this.isChoosing = false;
        lookAway();
        clearTimeout(this.timer);
        if (this.line.value.trim().length < 2) {
            this.close();
            return;
        }
        this.timer = setTimeout(() => this.look(), PAUSE_MS);
    },

    async look(more = '') {
        const narrowed = this.department === '' ? '' : `&more=1&department=${this.department}`;
        this.asked?.abort();
        this.asked = new AbortController();
        const url = `${this.line.dataset.find}?q=${encodeURIComponent(this.line.value)}${narrowed || more}`;
        try {
            const answer = await fetch(url, { signal: this.asked.signal, headers: { 'X-Requested-With': 'fetch' } });
            if (!answer.ok || answer.redirected) return;
            document.getElementById('found').innerHTML = await answer.text();
            this.open = true;
            // Nobody is made a customer by a slip of the hand: what would be new is chosen by an arrow or a click, and
            // so is who is found by a few digits.
            const first = this.rows()[0]?.dataset;
            this.choose(first?.toggles === undefined && first?.unsure === undefined ? 0 : -1);
        } catch {
            // A newer look-up has taken over, or the server is away; typing goes on either way.
        }
    },

    rows() {
        return [...document.querySelectorAll('#found [role=option]')];
    },

    chosen() {
        return this.rows().findIndex((row) => row.getAttribute('aria-selected') === 'true');
    },

    choose(index) {
        const rows = this.rows();
        rows.forEach((row, i) => row.setAttribute('aria-selected', i === index ? 'true' : 'false'));
        rows[index]?.scrollIntoView({ block: 'nearest' });
        this.line.setAttribute('aria-activedescendant', rows[index]?.id ?? '');
    },

    key(event) {
        if (event.isComposing) return;
        if (event.key === 'ArrowDown' && this.open) {
            event.preventDefault();
            this.isChoosing = true;
            lookAway();
            this.down();
        } else if (event.key === 'ArrowUp') {
            event.preventDefault();
            if (this.open && this.chosen() > 0) this.choose(this.chosen() - 1);
            else if (!this.open) [...document.querySelectorAll('.slip-lines .cell.first')].pop()?.focus();
        } else if (event.key === 'Escape') {
            event.preventDefault();
            if (isLooking()) lookAway();
            else if (this.open) this.close();
            else this.line.value = '';
        } else if (event.key === 'ArrowRight' && this.open && this.line.selectionStart === this.line.value.length) {
            event.preventDefault();
            this.nextDepartment();
        } else if (event.key === ' ' && this.open && this.isChoosing) {
            event.preventDefault();
            const { item, customer, family } = this.rows()[this.chosen()]?.dataset ?? {};
            if (family) this.openFamily(family);
            else if (item) lookAt(`item=${item}`);
            else if (customer) lookAt(`customer=${customer}`);
        } else if (event.key === 'Enter' && !event.ctrlKey) {
            event.preventDefault();
            this.take();
        }
    },

    /** The next row; past the last item of a list that has more, the rest of it. */
    down() {
        const at = this.chosen();
        const last = this.rows().filter((row) => row.dataset.item).length - 1;
        if (at === last && document.querySelector('#found [data-more]'))
            this.look('&more=1').then(() => this.choose(at + 1));
        else this.choose(Math.min(at + 1, this.rows().length - 1));
    },

    /** The list by department: the next of those that have something in it, and all of them again. */
    async nextDepartment() {
        if (document.querySelector('#found [data-department]') === null) await this.look('&more=1');
        const all = [...document.querySelectorAll('#found [data-department]')];
        const at = all.findIndex((chip) => chip.ariaPressed === 'true');
        if (all.length > 0) this.narrow(all[(at + 1) % all.length].dataset.department);
    },

    narrow(department) {
        this.department = department;
        this.look('&more=1');
    },

    take() {
        const typed = this.line.value.trim();
        if (typed === '') {
            document.dispatchEvent(new CustomEvent('to-settle'));
            return;
        }
        const found = document.querySelector('#found [data-typed]')?.dataset;
        const row = this.open && typed === found?.typed.trim() ? this.rows()[this.chosen()] : null;
        if (row?.dataset.customer) {
            this.put(row.dataset.customer);
            return;
        }
        if (row?.dataset.layaway) {
            this.add(row.dataset.layaway);
            return;
        }
        if (row?.dataset.family) {
            this.openFamily(row.dataset.family);
            return;
        }
        // A receipt that is scanned is there before the list is.
        const receipt = row?.dataset.back ?? (!row && RECEIPT.test(typed) ? typed : null);
        if (receipt !== null) {
            this.clear();
            bringBack(receipt);
            return;
        }
        if (row && !row.dataset.item) {
            row.click();
            return;
        }
        this.add(typed, row?.dataset.item);
    },

    /** What was scanned, wherever the hand was: what stands in the line by hand stays there. */
    scanned({ detail: code }) {
        clearTimeout(this.timer);
        if (this.line.value.trim().length < 2) {
            // What its own keys asked for before they were known for a scan is not wanted any more.
            this.asked?.abort();
            this.close();
        }
        if (RECEIPT.test(code)) bringBack(code);
        else send(this.line.dataset.add, { entry: code, scanned: '1', version: '' });
    },

    /** Without an item only what is named exactly is taken; otherwise the list waits for a choice. */
    async add(typed, item) {
        const quantity = document.querySelector('#found [data-typed]')?.dataset.quantity ?? '1';
        this.clear();
        const fields = { entry: typed, version: '' };
        if (item) Object.assign(fields, { item, quantity });
        const answer = await send(this.line.dataset.add, fields);
        // What was refused comes back into the line, unless something else is being typed there by now.
        if (answer.status === 422 && this.line.value === '') {
            this.line.value = typed;
            this.line.select();
            this.look();
        }
    },

    /** Puts the customer on the slip. */
    put(customer) {
        this.clear();
        send(this.line.dataset.customer, { customer, version: '' });
    },

    /** Its grid takes the hand; what was typed is done with. */
    openFamily(family) {
        this.clear();
        lookAt(`family=${family}`);
    },

    pick(event) {
        const family = event.target.closest('[data-family]');
        if (family) {
            this.openFamily(family.dataset.family);
            return;
        }
        const chip = event.target.closest('[data-department]');
        if (chip) {
            this.narrow(chip.dataset.department);
            return;
        }
        const customer = event.target.closest('[data-customer]');
        if (customer) {
            this.put(customer.dataset.customer);
            return;
        }
        const back = event.target.closest('[data-back]');
        if (back) {
            this.clear();
            bringBack(back.dataset.back);
            return;
        }
        const layaway = event.target.closest('[data-layaway]');
        if (layaway) this.add(layaway.dataset.layaway);
        const row = event.target.closest('[data-item]');
        if (row) this.add(this.line.value.trim(), row.dataset.item);
    },

    clear() {
        this.isChoosing = false;
        lookAway();
        clearTimeout(this.timer);
        this.asked?.abort();
        this.line.value = '';
        this.close();
    },

    close() {
        this.open = false;
        this.department = '';
        this.line.removeAttribute('aria-activedescendant');
    },
});
