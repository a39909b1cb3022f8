<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use TCPDFBarcode;

/** A document's number as Code 128 (ISO/IEC 15417), as SVG that needs no style. */
final class Barcode
{
    /** @param  float  $unit width of the narrowest bar, in the drawing's units */
    public static function svg(string $text, float $unit = 1.4, float $height = 34): string
    {
        $code = (new TCPDFBarcode($text, 'C128'))->getBarcodeArray();
        $quiet = 10;
        $bars = '';
        $x = $quiet;

        foreach ($code['bcode'] as $bar) {
            if ($bar['t'] === true) {
                $bars .= sprintf(
                    '<rect x="%.2F" y="0" width="%.2F" height="%.2F"/>',
                    $x * $unit,
                    $bar['w'] * $unit,
                    $height,
                );
            }

            $x += $bar['w'];
        }

        $width = ($x + $quiet) * $unit;

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" role="img" aria-label="barcode %s" viewBox="0 0 %.2F %.2F" '
                .'width="%.2F" height="%.2F" fill="#000">%s</svg>',
            e($text),
            $width,
            $height,
            $width,
            $height,
            $bars,
        );
    }
}
