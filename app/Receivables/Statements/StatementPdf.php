<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Elmstone\Paper\DrawnPdf;
use Elmstone\Paper\Pdf;
use TCPDF;

/**
 * Statements as PDF, one or many in one file. Drawn line by line, because hundreds are made at once; every statement
 * begins on a page of its own and counts its own pages.
 *
 * @phpstan-import-type Data from StatementPaper
 * @phpstan-import-type Line from StatementPaper
 */
final class StatementPdf
{
    private const LEFT = 18.0;

    private const WIDTH = 174.0;

    private const ROW = 6.2;

    /** Below here a new page begins. */
    private const BOTTOM = 262.0;

    /** @var array{int|float, int|float, int|float, int|float, int|float, int|float} */
    private const COLUMNS = [24.0, 28.0, 54.0, 24.0, 22.0, 22.0];

    /** @param  iterable<Data>  $statements */
    public function of(iterable $statements): string
    {
        $pdf = DrawnPdf::blank([210.0, 297.0]);
        $pdf->setMargins(self::LEFT, 16, self::LEFT);

        foreach ($statements as $statement) {
            $this->statement($pdf, $statement);
        }

        return (string) $pdf->Output('', 'S');
    }

    /** @param  Data  $statement */
    private function statement(TCPDF $pdf, array $statement): void
    {
        $pdf->AddPage();
        $this->head($pdf, $statement);
        $this->columns($pdf, $statement);

        if ($statement['brought'] !== null) {
            $this->row($pdf, [
                'date' => '',
                'number' => '',
                'what' => 'Brought forward',
                'due' => '',
                'amount' => '',
                'figure' => $statement['brought'],
                'late' => false,
            ]);
        }

        foreach ($statement['lines'] as $line) {
            $this->roomFor($pdf, self::ROW, $statement);
            $this->row($pdf, $line);
        }

        $this->roomFor($pdf, ($statement['pay'] ?? '') === '' ? 46 : 76, $statement);
        $this->foot($pdf, $statement);
    }

    /** @param  Data  $statement */
    private function head(TCPDF $pdf, array $statement): void
    {
        DrawnPdf::font($pdf, 'B', 17);
        $pdf->setXY(self::LEFT, 16);
        $pdf->Cell(90, 9, 'Statement');
        DrawnPdf::font($pdf, 'B', 10);
        $pdf->setXY(self::LEFT + 90, 16);
        $pdf->Cell(self::WIDTH - 90, 5, $statement['shop'][0], 0, 2, 'R');
        DrawnPdf::font($pdf, '', 9.5);

        foreach (array_slice($statement['shop'], 1) as $line) {
            $pdf->Cell(self::WIDTH - 90, 4.6, $line, 0, 2, 'R');
        }

        $pdf->setXY(self::LEFT, 42);

        foreach ($statement['to'] as $line) {
            $pdf->Cell(90, 4.8, trim(Pdf::printable($line)), 0, 2);
        }

        $pdf->setXY(self::LEFT + 90, 42);

        foreach (
            [
                "As of {$statement['as_of']}",
                "Account {$statement['account']}",
                ucfirst($statement['terms']),
                "All figures in {$statement['currency']}",
            ] as $line
        ) {
            $pdf->Cell(self::WIDTH - 90, 4.8, $line, 0, 2, 'R');
        }

        $pdf->setXY(self::LEFT, 68);
    }

    /** @param  Data  $statement */
    private function columns(TCPDF $pdf, array $statement): void
    {
        DrawnPdf::font($pdf, '', 8.5);
        $isOpen = $statement['kind'] === StatementKind::OpenItem->value;
        $y = $pdf->GetY();
        $this->cells(
            $pdf,
            [
                'Date',
                'Number',
                $statement['title'],
                'Due',
                $isOpen ? 'Amount' : 'Charged, paid −',
                $isOpen ? 'Open' : 'Balance',
            ],
            'B',
        );
        $pdf->setXY(self::LEFT, $y + 7);
    }

    /** @param  Line  $line */
    private function row(TCPDF $pdf, array $line): void
    {
        $y = $pdf->GetY();
        DrawnPdf::font($pdf, '', 9);
        $this->cells(
            $pdf,
            [
                $line['date'],
                $line['number'],
                $this->fit($pdf, $line['what'], self::COLUMNS[2] - 2),
                $line['due'].($line['late'] ? ' late' : ''),
                $line['amount'],
                $line['figure'],
            ],
            '',
        );
        $pdf->setDrawColor(205);
        $pdf->Line(self::LEFT, $y + self::ROW - 0.6, self::LEFT + self::WIDTH, $y + self::ROW - 0.6);
        $pdf->setDrawColor(0);
        $pdf->setXY(self::LEFT, $y + self::ROW);
    }

    /** @param  list<string>  $texts */
    private function cells(TCPDF $pdf, array $texts, string $border): void
    {
        $pdf->setX(self::LEFT);

        foreach ($texts as $i => $text) {
            $pdf->Cell(self::COLUMNS[$i], 5.4, $text, $border, 0, $i >= 4 ? 'R' : 'L');
        }
    }

    private function fit(TCPDF $pdf, string $text, float $width): string
    {
        $text = trim(Pdf::printable($text));
        $cut = $text;

        while ($cut !== '' && $pdf->GetStringWidth($cut === $text ? $text : "{$cut}…") > $width) {
            $cut = mb_substr($cut, 0, -1);
        }

        return $cut === $text ? $text : "{$cut}…";
    }

    /** @param  Data  $statement */
    private function foot(TCPDF $pdf, array $statement): void
    {
        $pdf->setXY(self::LEFT, $pdf->GetY() + 4);

        if ($statement['left_out'] !== '') {
            DrawnPdf::font($pdf, '', 8.5);
            $pdf->Cell(self::WIDTH, 5, "Newer items, not listed, come to {$statement['left_out']}.", 0, 2);
        }

        if (($statement['later'] ?? '') !== '') {
            DrawnPdf::font($pdf, '', 8.5);
            $pdf->Cell(
                self::WIDTH,
                5,
                "Parts of payment plans that fall due later come to {$statement['later']} and are not in the amount "
                    .'due.',
                0,
                2,
            );
        }

        $width = self::WIDTH / count($statement['ageing']);
        DrawnPdf::font($pdf, '', 8.5);

        foreach (array_keys($statement['ageing']) as $label) {
            $pdf->Cell($width, 5, (string) $label, 'B', 0, 'R');
        }

        $pdf->setXY(self::LEFT, $pdf->GetY() + 5.6);
        DrawnPdf::font($pdf, '', 9.5);

        foreach ($statement['ageing'] as $amount) {
            $pdf->Cell($width, 6, $amount, 0, 0, 'R');
        }

        $pdf->setXY(self::LEFT, $pdf->GetY() + 11);
        DrawnPdf::font($pdf, 'B', 13);
        $pdf->Cell(
            self::WIDTH,
            7,
            ($statement['credit'] ? 'In your favour' : 'Amount due')
                ." {$statement['currency']}   {$statement['due']}",
            'T',
            2,
            'R',
        );
        ($statement['pay'] ?? '') === '' || self::link($pdf, $statement['pay']);
        DrawnPdf::font($pdf, '', 9);
        $pdf->setXY(self::LEFT, $pdf->GetY() + 2);
        $pdf->Cell(self::WIDTH, 5, $statement['foot']);
    }

    /** @param  Data  $statement */
    private function roomFor(TCPDF $pdf, float $height, array $statement): void
    {
        if ($pdf->GetY() + $height > self::BOTTOM) {
            DrawnPdf::font($pdf, '', 8.5);
            $pdf->setXY(self::LEFT, self::BOTTOM + 6);
            $pdf->Cell(self::WIDTH, 5, 'continued', 0, 0, 'R');
            $pdf->AddPage();
            $pdf->setXY(self::LEFT, 16);
            $pdf->Cell(self::WIDTH, 5, "Account {$statement['account']}, as of {$statement['as_of']}, continued");
            $pdf->setXY(self::LEFT, 24);
            $this->columns($pdf, $statement);
        }
    }

    /** Where it can be paid, beside what is due. */
    private static function link(TCPDF $pdf, string $address): void
    {
        $y = $pdf->GetY() + 2;
        $pdf->write2DBarcode($address, 'QRCODE,M', self::LEFT, $y, 26, 26);
        DrawnPdf::font($pdf, '', 8.5);
        $pdf->setXY(self::LEFT + 30, $y + 6);
        $pdf->Cell(self::WIDTH - 30, 5, 'Pay it by card:', 0, 2);
        $pdf->Cell(self::WIDTH - 30, 5, (string) preg_replace('~^https?://~', '', $address), 0, 2, '', false, $address);
        $pdf->setXY(self::LEFT, $y + 27);
    }
}
