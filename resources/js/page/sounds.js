// Whether this till makes sounds.
import { areOff, sound, turn } from '../counter/sounds.js';

export default () => ({
    words: areOff() ? 'off' : 'on',

    flip() {
        turn();
        this.words = areOff() ? 'off' : 'on';
        sound('taken');
    },
});
