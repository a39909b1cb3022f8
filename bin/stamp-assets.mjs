// Writes down what the built files were made from, so that a check can tell when they are older than their sources.
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';

const files = ['resources/css', 'resources/js', 'resources/fonts']
    .flatMap((folder) => readdirSync(folder).map((name) => `${folder}/${name}`))
    .concat('package.json', 'vite.config.js')
    .sort();
const hash = createHash('sha256');

for (const file of files) {
    hash.update(file).update('\0').update(readFileSync(file)).update('\0');
}

writeFileSync('public/build/sources.sha256', `${hash.digest('hex')}\n`);
