// Writes down what the built files were made from, so that a check can tell when they are older than their sources.
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';

const within = (folder) =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
        entry.isDirectory() ? within(`${folder}/${entry.name}`) : [`${folder}/${entry.name}`],
    );
const files = ['resources/css', 'resources/js', 'resources/fonts']
    .flatMap(within)
    .concat('package.json', 'vite.config.js')
    .sort();
const hash = createHash('sha256');

for (const file of files) {
    hash.update(file).update('\0').update(readFileSync(file)).update('\0');
}

writeFileSync('public/build/sources.sha256', `${hash.digest('hex')}\n`);
