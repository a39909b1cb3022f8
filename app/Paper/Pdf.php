<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Dompdf\Dompdf;
use Dompdf\Options;

/** Turns a page of HTML into PDF, with the fonts that ship with the application. */
final class Pdf
{
    /** Points per millimetre. */
    private const POINTS = 72 / 25.4;

    public function a4(string $html): string
    {
        return $this->render($html, 'A4');
    }

    /** @param  float  $height millimetres */
    public function roll(string $html, float $height): string
    {
        return $this->render($html, [0, 0, 80 * self::POINTS, $height * self::POINTS]);
    }

    /** @param  string|array{int, int, float, float}  $size */
    private function render(string $html, string|array $size): string
    {
        $options = new Options;
        $options->setChroot([resource_path('fonts')]);
        $options->setFontDir(storage_path('fonts'));
        $options->setFontCache(storage_path('fonts'));
        $options->setDefaultFont('elmstone');
        $options->setIsRemoteEnabled(false);
        $options->setIsPhpEnabled(false);
        $pdf = new Dompdf($options);
        $pdf->setPaper($size);
        $pdf->loadHtml($html, 'UTF-8');
        $pdf->render();

        return (string) $pdf->output();
    }
}
