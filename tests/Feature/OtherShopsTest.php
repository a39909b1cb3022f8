<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * The same sale in shops that state prices, round tax and count money another way; everywhere the page, the paper and
 * the books agree.
 */
final class OtherShopsTest extends FeatureCase
{
    /** @return array<string, mixed> */
    protected function shop(): array
    {
        $settings = $this->providedData()[0] ?? [];

        return is_array($settings) ? $settings : [];
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  array{net: string, tax: string, total: string, change: string}  $figures
     */
    #[DataProvider('shops')]
    public function test_a_sale_comes_to_the_same_on_page_paper_and_books(
        array $settings,
        string $cash,
        array $figures,
    ): void {
        if ($settings['currency'] === 'JPY') {
            Scene::reprice(['list_price' => '38', 'floor_price' => null, 'cost' => '19']);
        }

        $this->add('3 x LH-1140', '7 x LH-1141');
        $this->does('discount', ['discount' => '2.5 %'])->assertOk();
        $this->does('cash', ['cash' => $cash])
            ->assertOk()
            ->assertSee($figures['total'])
            ->assertSee($figures['change']);
        $this->does('post')->assertOk()->assertSee($figures['change']);
        $document = $this->document();
        $this->assertSame(array_values($figures), [
            $document->net->toString(),
            $document->tax_total->toString(),
            $document->total->toString(),
            $document->change_given->toString(),
        ]);
        $this->get("/documents/{$document->label}/receipt")->assertSeeInOrder([
            $figures['tax'],
            $figures['total'],
            $figures['change'],
        ]);
        $this->get("/documents/{$document->label}")->assertSee($figures['total']);
        $this->assertBooksAgree($document, $settings['tax_included'] ?? false);
    }

    /**
     * @return iterable<string, array{
     *     array<string, mixed>, string, array{net: string, tax: string, total: string, change: string}
     * }>
     */
    public static function shops(): iterable
    {
        // 3 × 3.85 + 7 × 4.40 = 42.35, less 2.5 % (1.06) = 41.29.
        yield 'prices without tax' => [
            ['currency' => 'USD'],
            '50',
            ['net' => '41.29', 'tax' => '4.13', 'total' => '45.42', 'change' => '4.58'],
        ];
        yield 'prices without tax, rounded per line' => [
            ['currency' => 'USD', 'tax_rounding' => 'line'],
            '50',
            ['net' => '41.29', 'tax' => '4.13', 'total' => '45.42', 'change' => '4.58'],
        ];
        yield 'prices with tax' => [
            ['currency' => 'USD', 'tax_included' => true],
            '50',
            ['net' => '41.29', 'tax' => '3.75', 'total' => '41.29', 'change' => '8.71'],
        ];
        yield 'prices with tax, rounded per line' => [
            ['currency' => 'USD', 'tax_included' => true, 'tax_rounding' => 'line'],
            '50',
            ['net' => '41.29', 'tax' => '3.75', 'total' => '41.29', 'change' => '8.71'],
        ];
        yield 'cash to five cents' => [
            ['currency' => 'USD', 'cash_step' => Money::of('0.05', Currency::of('USD'))],
            '50',
            ['net' => '41.29', 'tax' => '4.13', 'total' => '45.42', 'change' => '4.60'],
        ];
        // Thousandths: 42.350 less 2.5 % (1.059) = 41.291; tax 4.129.
        yield 'three decimal places' => [
            ['currency' => 'KWD'],
            '50',
            ['net' => '41.291', 'tax' => '4.129', 'total' => '45.420', 'change' => '4.580'],
        ];
        // Ten at 38, less 2.5 % (9.5, so 10) = 370; tax 37.
        yield 'no decimal places' => [
            ['currency' => 'JPY'],
            '500',
            ['net' => '370', 'tax' => '37', 'total' => '407', 'change' => '93'],
        ];
    }

    private function assertBooksAgree(Document $document, bool $taxIncluded): void
    {
        $journal = $document->journal->mapWithKeys(
            static fn ($row): array => [$row->account => $row->debit->minor - $row->credit->minor],
        );
        $this->assertSame(0, $journal->sum());
        $this->assertSame($document->total->minor + $document->cash_rounding->minor, $journal['cash']);
        $this->assertSame(
            -($taxIncluded ? $document->net->minor - $document->tax_total->minor : $document->net->minor),
            $journal['sales:1'],
        );
        $this->assertSame(-$document->tax_total->minor, $journal['tax:state_HF']);
        $this->assertSame(-$document->cash_rounding->minor, $journal['cash_rounding'] ?? 0);
        $this->assertSame(
            $document->tax_total->minor,
            (int) DB::table('document_line_taxes')->where('document_id', $document->id)->sum('amount'),
        );
        $this->assertSame(
            [
                TenderKind::Cash,
                $document->total->minor + $document->cash_rounding->minor + $document->change_given->minor,
            ],
            [$document->tenders->sole()->kind, $document->tenders->sole()->given->minor],
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /**
     * @param  array<string, mixed>  $settings
     */
    #[DataProvider('floors')]
    public function test_floor_and_cost_are_held_against_prices_with_tax_too(
        array $settings,
        string $price,
        int $status,
    ): void {
        $this->add('LH-1140');
        $this->does("lines/{$this->lineId()}", ['price' => $price])->assertStatus($status);
    }

    /** @return iterable<string, array{array<string, mixed>, string, int}> */
    public static function floors(): iterable
    {
        // The floor is 3.08 in the shop's own way of stating prices; the cost, 1.92, is always without tax: 1.92 × 1.10
        // = 2.11.
        yield 'at the floor' => [['currency' => 'USD', 'tax_included' => true], '3.08', 200];
        yield 'below the floor' => [['currency' => 'USD', 'tax_included' => true], '3.07', 422];
        yield 'at the floor, without tax' => [['currency' => 'USD'], '3.08', 200];
        yield 'below the floor, without tax' => [['currency' => 'USD'], '3.07', 422];
    }

    public function test_the_picture_of_the_settlement_says_in_words_what_it_shows(): void
    {
        $this->add('10 x LH-1140');
        $this->get("/counter/{$this->slip}")->assertSee('aria-label="left 42.35"', false);
        $this->does('card', ['card' => '20'])->assertSee('aria-label="Card 20.00, left 22.35"', false);
        $this->does('cash', ['cash' => '30'])->assertSee('aria-label="Card 20.00, Cash 22.35, change 7.65"', false);
        $this->does('cash', ['cash' => '22.35'])->assertSee('aria-label="Card 20.00, Cash 22.35, nothing left"', false);
        $this->assertStringNotContainsString('style=', (string) $this->get("/counter/{$this->slip}")->getContent());
    }
}
