// Short sounds for hands that do not look: taken, refused, asked for somebody's approval. Kept off where somebody
// turned them off at this till.
const TONES = {
    taken: [[1320, 0, 0.05]],
    refused: [
        [220, 0, 0.14],
        [180, 0.16, 0.2],
    ],
    approval: [
        [660, 0, 0.08],
        [880, 0.1, 0.12],
    ],
};

let audio = null;

export const areOff = () => localStorage.getItem('sounds') === 'off';

export function turn() {
    localStorage.setItem('sounds', areOff() ? 'on' : 'off');
}

/** @param name one of the above; others are silent */
export function sound(name) {
    if (!TONES[name]) return;
    // For who cannot hear, and for the hand of a test.
    document.body.dataset.sound = name;
    if (areOff() || !window.AudioContext) return;
    audio ??= new AudioContext();
    for (const [pitch, after, length] of TONES[name]) {
        const tone = audio.createOscillator();
        const loud = audio.createGain();
        tone.frequency.value = pitch;
        loud.gain.value = 0.06;
        tone.connect(loud).connect(audio.destination);
        tone.start(audio.currentTime + after);
        tone.stop(audio.currentTime + after + length);
    }
}
