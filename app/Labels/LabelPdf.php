<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Elmstone\Paper\DrawnPdf;
use Elmstone\Paper\Pdf;
use TCPDF;

/**
 * Labels drawn onto a sheet or a roll: description on top, the price as large as there is room, what a unit costs, and
 * the barcode over its number at the foot.
 */
final class LabelPdf
{
    private const POINTS = 72 / 25.4;

    private const BAR_STYLE = ['stretch' => true, 'fgcolor' => [0, 0, 0], 'text' => false];

    /**
     * @param  iterable<array{Label, int}>  $labels each with how many of it
     * @param  int  $first the place on the first sheet that is still there, from 1
     */
    public static function of(iterable $labels, LabelSize $size, int $first, string $currency): string
    {
        $pdf = DrawnPdf::blank([$size->pageWidth, $size->pageHeight]);
        $place = $first - 1;
        $pdf->AddPage();

        foreach ($labels as [$label, $count]) {
            for (; $count > 0; $count--) {
                if ($place === $size->onPage()) {
                    $pdf->AddPage();
                    $place = 0;
                }

                self::draw($pdf, $label, $size, $size->corner($place++), $currency);
            }
        }

        return (string) $pdf->Output('', 'S');
    }

    /** @param  array{float, float}  $corner */
    private static function draw(TCPDF $pdf, Label $label, LabelSize $size, array $corner, string $currency): void
    {
        $edge = max(1.2, min(3.0, $size->height * 0.07));
        [$x, $y] = [$corner[0] + $edge, $corner[1] + $edge];
        [$width, $height] = [$size->width - 2 * $edge, $size->height - 2 * $edge];
        $words = $height * 0.2;
        $bars = $height * 0.3;
        $small = max(5.0, min(9.0, $height * 0.085 * self::POINTS));
        self::words($pdf, Pdf::printable($label->description), $x, $y, $width, $words);
        self::price($pdf, $label, $currency, $x, $y + $words, $width, $height - $words - $bars, $small);
        self::bars($pdf, $label, $x, $y + $height - $bars, $width, $bars, $small);
    }

    private static function words(TCPDF $pdf, string $words, float $x, float $y, float $width, float $height): void
    {
        $size = min(14.0, $height * 0.8 * self::POINTS);
        DrawnPdf::font($pdf, 'B', $size);

        while ($size > 5.0 && $pdf->GetStringWidth($words) > $width) {
            DrawnPdf::font($pdf, 'B', $size -= 0.5);
        }

        while ($words !== '' && $pdf->GetStringWidth($words) > $width) {
            $words = rtrim(mb_substr($words, 0, -2)).'…';
        }

        $pdf->setXY($x, $y);
        $pdf->Cell($width, $height, $words, 0, 0, 'L', false, '', 0, false, 'T', 'M');
    }

    private static function price(
        TCPDF $pdf,
        Label $label,
        string $currency,
        float $x,
        float $y,
        float $width,
        float $height,
        float $small,
    ): void {
        DrawnPdf::font($pdf, '', $small);
        $beside = $label->perUnit === '' ? "{$currency} / {$label->unit}" : "{$currency} {$label->perUnit}";
        $said = max($pdf->GetStringWidth($beside), $label->was === '' ? 0 : $pdf->GetStringWidth("was {$label->was}"));
        $large = min(40.0, $height * 0.85 * self::POINTS);
        DrawnPdf::font($pdf, 'B', $large);

        while ($large > 7.0 && $pdf->GetStringWidth($label->price) > $width - $said - 2) {
            DrawnPdf::font($pdf, 'B', $large -= 0.5);
        }

        $pdf->setXY($x, $y);
        $pdf->Cell($width, $height, $label->price, 0, 0, 'L', false, '', 0, false, 'T', 'M');
        DrawnPdf::font($pdf, '', $small);
        $line = $small * 1.25 / self::POINTS;
        $pdf->setXY($x, $y + $height / 2 - ($label->was === '' ? $line / 2 : $line));
        $label->was === '' || $pdf->Cell($width, $line, "was {$label->was}", 0, 2, 'R');
        $pdf->setX($x);
        $pdf->Cell($width, $line, $beside, 0, 0, 'R');
    }

    private static function bars(
        TCPDF $pdf,
        Label $label,
        float $x,
        float $y,
        float $width,
        float $height,
        float $small,
    ): void {
        $number = $small * 1.4 / self::POINTS;
        [$text, $kind] = self::symbol($label);
        $pdf->write1DBarcode($text, $kind, $x, $y, min($width, 45.0), $height - $number, null, self::BAR_STYLE, 'N');
        DrawnPdf::font($pdf, '', $small);
        $pdf->setXY($x, $y + $height - $number);
        $pdf->Cell($width, $number, $label->barcode === '' ? $label->code : "{$label->code}   {$label->barcode}");

        if ($label->shelf !== '') {
            $pdf->setXY($x, $y + $height - $number);
            $pdf->Cell($width, $number, $label->shelf, 0, 0, 'R');
        }
    }

    /** @return array{string, string} what is drawn, and as which symbol: EAN or UPC where it has one, else Code 128 */
    private static function symbol(Label $label): array
    {
        return match (strlen($label->barcode)) {
            13 => [$label->barcode, 'EAN13'],
            12 => [$label->barcode, 'UPCA'],
            8 => [$label->barcode, 'EAN8'],
            0 => [$label->code, 'C128'],
            default => [$label->barcode, 'C128'],
        };
    }
}
