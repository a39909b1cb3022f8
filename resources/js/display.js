// The customer display follows the slip: it asks once a second and swaps what it shows.
const EVERY_MS = 1000;

setInterval(async () => {
    try {
        const answer = await fetch(location.href);
        if (!answer.ok) return;
        const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html').querySelector('main');
        const shown = document.querySelector('main');
        if (fresh && fresh.innerHTML !== shown.innerHTML) shown.replaceWith(document.importNode(fresh, true));
    } catch {
        // The next second tries again; meanwhile the last figures stay.
    }
}, EVERY_MS);
