<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Shop\Till;

/** The screen that faces the customer. */
interface CustomerDisplay
{
    public function show(Till $till, DisplayContent $content): void;

    /** Welcomes whoever comes next; a thank-you stands as long as it may. */
    public function rest(Till $till): void;

    /**
     * Asks who stands there to sign.
     *
     * @param  string  $for names what is signed: what was signed for something else does not count
     * @param  string  $amount as it is written, of which currency the display knows
     */
    public function askSignature(Till $till, string $for, string $amount): void;

    /** The strokes that were drawn for it, as an SVG path; null: none yet. */
    public function signature(Till $till, string $for): ?string;

    /** It is kept where it belongs, or not wanted any more. */
    public function signatureTaken(Till $till): void;
}
