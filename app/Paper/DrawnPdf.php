<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use TCPDF;
use TCPDF_FONTS;

/** Paper that is drawn, not laid out from HTML: many at once, or to the tenth of a millimetre. */
final class DrawnPdf
{
    /** @var array<string, string> font files by style */
    private static array $fonts = [];

    /**
     * Nothing on it yet; its font is "elmstone", plain and bold.
     *
     * @param  array{float, float}  $size width and height of a page, millimetres
     */
    public static function blank(array $size): TCPDF
    {
        $pdf = new TCPDF($size[0] > $size[1] ? 'L' : 'P', 'mm', $size, true, 'UTF-8');
        $pdf->setPrintHeader(false);
        $pdf->setPrintFooter(false);
        $pdf->setMargins(0, 0, 0);
        $pdf->setAutoPageBreak(false);
        $pdf->setCellPadding(0);

        foreach (self::fonts() as $style => $file) {
            $pdf->AddFont('elmstone', $style, $file);
        }

        return $pdf;
    }

    /**
     * @param  ''|'B'  $style
     * @param  float  $size points
     */
    public static function font(TCPDF $pdf, string $style, float $size): void
    {
        $pdf->setFont('elmstone', $style, $size, self::fonts()[$style]);
    }

    /**
     * The application's fonts in the form the PDF maker wants, made once and kept.
     *
     * @return array<string, string> by style
     */
    private static function fonts(): array
    {
        foreach (['' => 'next-400', 'B' => 'next-700'] as $style => $name) {
            $folder = storage_path('fonts/');
            $file = $folder.str_replace('-', '', $name).'.php';

            if (! isset(self::$fonts[$style])) {
                is_file($file)
                    || TCPDF_FONTS::addTTFfont(resource_path("fonts/{$name}.ttf"), 'TrueTypeUnicode', '', 32, $folder);
                self::$fonts[$style] = $file;
            }
        }

        return self::$fonts;
    }
}
