// The Settle band by keyboard: a letter goes to its way, arrows go from way to way, Enter keeps what is typed.
import { send } from '../queue.js';
import { ask } from './counter.js';
import { flip, go, keysOf, save } from './fields.js';
import { isRunning } from './scanner.js';

/** The ways in their order, without those whose field is not open. */
const ways = () =>
    [...document.querySelectorAll('#settle [data-way]')].filter((way) => !way.disabled && !way.closest('[hidden]'));

/** Goes to a way; a field that is not open is opened for it. */
function reach(way) {
    const shut = way.closest('[hidden]');
    if (shut) flip(shut.id);
    else go(way);
}

function besides(field, step) {
    const all = ways();
    go(all[all.indexOf(field) + step]);
}

function keep(field) {
    if (field.dataset.submits !== undefined) field.form.requestSubmit();
    else if (field.dataset.send) ask(field);
    else if (field.dataset.exact && field.value === '' && field.defaultValue === '')
        send(field.dataset.save, { [field.name]: field.dataset.exact });
    else if (field.dataset.rest !== undefined && field.value === '' && field.defaultValue === '')
        send(field.dataset.save, { rest: '1' });
    else save(field);
}

/** The way a letter goes to, where letters are not being typed. */
function jump(event, isButton) {
    const isLetter = event.key.length === 1 && !event.ctrlKey && !event.altKey && !event.metaKey;
    return isLetter && !isRunning() && (isButton || event.target.inputMode === 'decimal')
        ? document.querySelector(`#settle [data-way="${CSS.escape(event.key.toUpperCase())}"]`)
        : null;
}

export default () => ({
    begin() {
        go(ways().find((way) => way.closest('.ways.met')) ?? ways()[0]);
    },

    key(event) {
        const field = event.target;
        if (!field.matches('[data-way]')) return;
        const isButton = field.tagName === 'BUTTON';
        const way = jump(event, isButton);
        const keys = keysOf(field, keep, besides);
        // A button does what buttons do.
        const act = way ? () => reach(way) : isButton && event.key !== 'Escape' ? undefined : keys[event.key];
        if (!act || (event.ctrlKey && event.key === 'Enter')) return;
        event.preventDefault();
        act();
    },
});
