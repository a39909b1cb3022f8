<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\Read\BankCsv;
use Elmstone\Interchange\Bank\Read\BankEntryRead;
use Elmstone\Interchange\Bank\Read\BankTable;
use Elmstone\Interchange\Bank\Read\GuessColumns;
use Elmstone\Interchange\CsvRows;
use Elmstone\Receivables\Statements\StatementPdf;
use Elmstone\Tests\TestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Smalot\PdfParser\Parser;

/** Tables as they come from spreadsheets and banks, and statements of many lines. */
final class TablesTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function sameTable(): iterable
    {
        yield 'commas' => ["Name,Town\nAsh & Söhne,Harrow\n\"Birch, Walls\",\"Pell \"\"Bridge\"\"\"\n"];
        yield 'semicolons and Windows line ends' => [
            "Name;Town\r\nAsh & Söhne;Harrow\r\n\"Birch, Walls\";\"Pell \"\"Bridge\"\"\"\r\n",
        ];
        yield 'tabs, no last line end' => ["Name\tTown\nAsh & Söhne\tHarrow\nBirch, Walls\t\"Pell \"\"Bridge\"\"\""];
        yield 'a byte order mark' => [
            "\xEF\xBB\xBFName,Town\nAsh & Söhne,Harrow\n\"Birch, Walls\",\"Pell \"\"Bridge\"\"\"\n",
        ];
        yield 'Windows-1252' => [
            mb_convert_encoding(
                "Name,Town\nAsh & Söhne,Harrow\n\"Birch, Walls\",\"Pell \"\"Bridge\"\"\"\n",
                'Windows-1252',
                'UTF-8',
            ),
        ];
        yield 'blank lines' => ["Name,Town\n\nAsh & Söhne,Harrow\n\n\"Birch, Walls\",\"Pell \"\"Bridge\"\"\"\n\n"];
    }

    #[DataProvider('sameTable')]
    public function test_a_table_is_read_however_it_was_saved(string $csv): void
    {
        $table = new CsvRows($csv);
        self::assertSame(['name', 'town'], $table->head);
        self::assertSame(
            [['name' => 'Ash & Söhne', 'town' => 'Harrow'], ['name' => 'Birch, Walls', 'town' => 'Pell "Bridge"']],
            array_values(iterator_to_array($table->rows())),
        );
    }

    public function test_a_cell_with_a_line_end_in_it_a_short_row_and_our_own_guard(): void
    {
        $rows = iterator_to_array((new CsvRows("name,town\n\"Ash\nRoofing\",Harrow\nBirch\n'=1+1,'-5\n"))->rows());
        self::assertSame(
            [
                ['name' => "Ash\nRoofing", 'town' => 'Harrow'],
                ['name' => 'Birch', 'town' => ''],
                ['name' => '=1+1', 'town' => '-5'],
            ],
            array_values($rows),
        );
    }

    public function test_too_long_a_table_is_refused_by_its_length(): void
    {
        $csv = "name\n".str_repeat("a\n", CsvRows::MOST + 1);
        $this->assertThrows(
            static fn () => iterator_count((new CsvRows($csv))->rows()),
            Refused::class,
            '100,000 rows',
        );
    }

    /** @return iterable<string, array{string, list<array{string, string, string, string}>, int}> */
    public static function banks(): iterable
    {
        yield 'plain' => [
            "date,amount,payer,reference\n2027-03-01,12.50,Ash,INV-1\n",
            [['2027-03-01', '12.50', 'Ash', 'INV-1']],
            0,
        ];
        yield 'other names, semicolons, a comma for the decimals' => [
            "Booking date;Name;Description;Paid in;Currency\n2027-03-01;Ash;rent;1.212,50;USD\n",
            [['2027-03-01', '1212.50', 'Ash', 'rent']],
            0,
        ];
        yield 'money out and empty lines are left' => [
            "date,amount\n2027-03-01,-5.00\n2027-03-01,−5.00\n2027-03-01,(5.00)\n2027-03-01,\n2027-03-01,"
            ."0.00\n2027-03-02,+7.00\n",
            [['2027-03-02', '7.00', '', '']],
            3,
        ];
        yield 'dates and amounts as they come' => [
            "Posting Date,Description,Amount\n11/24/2026,rent,$50.00\n11/02/2026,thanks,\"USD 1,250.00\"\n",
            [['2026-11-24', '50.00', '', 'rent'], ['2026-11-02', '1250.00', '', 'thanks']],
            0,
        ];
        yield 'the day first, dots for thousands' => [
            "date;amount;payer\n24.11.2026;1.234,50;Ash\n02.11.2026;1.000,00-;Birch\n",
            [['2026-11-24', '1234.50', 'Ash', '']],
            1,
        ];
        yield 'money in and out in columns of their own' => [
            "Date,Details,Debit,Credit,Amount\n2026-11-24,fee,3.00,,97.00\n2026-11-25,Ash pays,,20.00,117.00\n",
            [['2026-11-25', '20.00', '', 'Ash pays']],
            1,
        ];
        yield 'the account and the days above the head' => [
            "Account;4711 0815;;\r\nHolder;\"Tannery; Row\";;\r\n\r\nFrom;2026-11-01;until;2026-11-30\r\nBooked "
            ."on;Payer;Text;Amount\r\n2026-11-24;Ash;rent;\"1.234,50\"\r\n",
            [['2026-11-24', '1234.50', 'Ash', 'rent']],
            0,
        ];
        yield 'one bad and one foreign row, and a second head' => [
            "date,amount,payer\n2026-11-24,5.00,Ash\nsoon,6.00,Birch\n2026-11-24,€7.00,Cedar\ndate,amount,"
            ."payer\n2026-11-25,8.00,Dale\n",
            [['2026-11-24', '5.00', 'Ash', ''], ['2026-11-25', '8.00', 'Dale', '']],
            2,
        ];
    }

    /** @param  list<array{string, string, string, string}>  $entries */
    #[DataProvider('banks')]
    public function test_a_banks_table(string $csv, array $entries, int $left): void
    {
        $table = BankTable::of($csv);
        [$columns, $isSure] = GuessColumns::of($table, 'US');
        self::assertTrue($isSure);
        $read = (new BankCsv($table, $columns, Currency::of('USD')))->read();
        self::assertSame(
            $entries,
            array_map(
                static fn (BankEntryRead $entry): array => [
                    (string) $entry->bookedOn?->format('Y-m-d'),
                    $entry->amount->toString(),
                    $entry->payer,
                    $entry->reference,
                ],
                $read->cameIn(),
            ),
        );
        self::assertSame($left, count($read->entries) - count($read->cameIn()));
    }

    public function test_a_head_with_names_nobody_knows_is_the_first_row_of_names(): void
    {
        $table = BankTable::of("Konto 4711\n\nBuchungstag;Betrag;Wer\nsoon;5,00;Ash\n");
        self::assertSame(['buchungstag', 'betrag', 'wer'], $table->head);
        self::assertSame(
            [4 => ['buchungstag' => 'soon', 'betrag' => '5,00', 'wer' => 'Ash']],
            iterator_to_array($table->rows()),
        );
        self::assertSame(['a'], BankTable::of("a\nb\n")->head);
        $this->assertThrows(static fn () => BankTable::of("\n \n"), Refused::class, 'empty');
    }

    public function test_a_statement_of_many_lines_goes_on_and_says_so(): void
    {
        $line = static fn (int $i): array => [
            'date' => '1 Mar 2027',
            'number' => sprintf('INV-%06d', $i),
            'what' => 'Invoice · a purchase order with a very long number · and a job of many words',
            'due' => '31 Mar 2027',
            'amount' => '',
            'figure' => '10.00',
            'late' => $i % 2 === 0,
        ];
        $data = static fn (int $lines): array => [
            'shop' => ['Tannery Row Builders’ Supply', '14 Tannery Row'],
            'to' => ['Ash Roofing', 'Mill Lane'],
            'account' => '1001',
            'as_of' => '31 Mar 2027',
            'currency' => 'USD',
            'kind' => 'open_item',
            'title' => 'Open items',
            'brought' => null,
            'lines' => array_map($line, range(1, $lines)),
            'ageing' => ['Not due' => '1.00', '1–30 days late' => '2.00'],
            'due' => '1,200.00',
            'due_minor' => 120000,
            'credit' => false,
            'foot' => 'Please pay.',
            'terms' => 'net 30',
            'left_out' => '',
        ];
        $pages = static fn (string $pdf): array => (new Parser)->parseContent($pdf)->getPages();
        $pdf = new StatementPdf;
        self::assertCount(1, $pages($pdf->of([$data(3)])));
        $long = $pages($pdf->of([$data(120)]));
        self::assertCount(4, $long);
        self::assertStringContainsString('continued', $long[0]->getText());
        self::assertStringContainsString('INV-000120', end($long)->getText());
        self::assertStringContainsString('1,200.00', end($long)->getText());
        self::assertStringContainsString('…', $long[0]->getText());
        self::assertCount(3, $pages($pdf->of([$data(1), $data(2), $data(3)])));
    }
}
