// Whether this till makes sounds.
import { areOff, sound, turn } from '../counter/sounds.js';

const words = () => (areOff() ? 'Turn sounds on' : 'Turn sounds off');

export default () => ({
    words: words(),

    flip() {
        turn();
        this.words = words();
        sound('taken');
    },
});
