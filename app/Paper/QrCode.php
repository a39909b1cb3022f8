<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use TCPDF2DBarcode;

/** An address as QR code (ISO/IEC 18004, level M), as SVG that needs no style. */
final class QrCode
{
    /** @param  float  $unit width of a module, in the drawing's units */
    public static function svg(string $text, float $unit = 3.0): string
    {
        $code = (new TCPDF2DBarcode($text, 'QRCODE,M'))->getBarcodeArray();
        $quiet = 4;
        $squares = '';

        foreach ($code['bcode'] as $y => $row) {
            foreach ($row as $x => $dark) {
                if ((int) $dark === 1) {
                    $squares .= sprintf(
                        '<rect x="%.2F" y="%.2F" width="%.2F" height="%.2F"/>',
                        ($x + $quiet) * $unit,
                        ($y + $quiet) * $unit,
                        $unit,
                        $unit,
                    );
                }
            }
        }

        $size = ($code['num_cols'] + 2 * $quiet) * $unit;

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" role="img" aria-label="QR code" viewBox="0 0 %1$.2F %1$.2F" '
                .'width="%1$.2F" height="%1$.2F" fill="#000">%2$s</svg>',
            $size,
            $squares,
        );
    }
}
