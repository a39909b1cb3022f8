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

    /** Without what no paper font has a shape for: pictures among the letters, and the marks that join them. */
    public static function printable(string $text): string
    {
        return preg_replace(
            '/[\x{1F000}-\x{1FAFF}\x{2600}-\x{26FF}\x{2700}-\x{27BF}\x{2B00}-\x{2BFF}\x{FE00}-\x{FE0F}'
                .'\x{200D}\x{20E3}\x{E0000}-\x{E007F}]/u',
            '',
            $text,
        ) ?? $text;
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
        $pdf->loadHtml(self::printable($html), 'UTF-8');
        $pdf->render();

        return (string) $pdf->output();
    }
}
