<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Elmstone\Core\Money\Refused;

/** A signature as the strokes of an SVG path: points in whole numbers, nothing else. */
final class Signature
{
    private const STROKES = 60_000;

    /**
     * @param  string  $path nothing: it is not signed
     *
     * @throws Refused bad_signature
     */
    public static function assertPath(string $path): void
    {
        if (
            $path !== ''
            && (strlen($path) > self::STROKES
                || preg_match('/^(M\d{1,4} \d{1,4}( ?L\d{1,4} \d{1,4})+ ?)+$/D', $path) !== 1)
        ) {
            throw Refused::because('bad_signature', 'The signature could not be read. Sign again.');
        }
    }
}
