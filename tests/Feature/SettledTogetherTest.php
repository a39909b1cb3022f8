<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * A sale and a payment towards the account in one settlement, by every mixture of tenders, where cash is rounded to
 * five cents. MA-0031 comes to 103.40, LH-1140 to 4.24.
 */
final class SettledTogetherTest extends FeatureCase
{
    use Charges;

    private Customer $customer;

    protected function shop(): array
    {
        return ['cash_step' => Money::of('0.05', Currency::of('USD'))];
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('1000.00');
    }

    /**
     * @return iterable<string, array{array<string, string>, array<string, int>, array<string, int>}> what is typed, the
     *     tenders of the invoice, the tenders of the receipt
     */
    public static function mixtures(): iterable
    {
        yield 'all in cash, rounded up' => [
            ['on_account' => '10.03', 'cash' => '20'],
            ['cash' => 424],
            ['cash' => 1001],
        ];
        yield 'all in cash, rounded down' => [
            ['on_account' => '10.02', 'cash' => '20'],
            ['cash' => 424],
            ['cash' => 1001],
        ];
        yield 'a card for just the sale' => [
            ['on_account' => '10.00', 'card' => '4.24', 'cash' => '10'],
            ['card' => 424],
            ['cash' => 1000],
        ];
        yield 'a card that reaches into the payment' => [
            ['on_account' => '10.00', 'card' => '10.00', 'cash' => '5'],
            ['card' => 424],
            ['card' => 576, 'cash' => 425],
        ];
        yield 'a cheque, a card and cash' => [
            ['on_account' => '10.00', 'card' => '2.00', 'cheque' => '10.00', 'cash' => '3'],
            ['card' => 200, 'cheque' => 224],
            ['cheque' => 776, 'cash' => 225],
        ];
        yield 'the sale charged, the payment in cash' => [
            ['on_account' => '10.00', 'charge' => '4.24', 'cash' => '10'],
            ['house_account' => 424],
            ['cash' => 1000],
        ];
        yield 'part of the sale charged' => [
            ['on_account' => '10.00', 'charge' => '4.00', 'card' => '10.24'],
            ['card' => 24, 'house_account' => 400],
            ['card' => 1000],
        ];
        yield 'a card over both, nothing in cash' => [
            ['on_account' => '95.76', 'card' => '100.00'],
            ['card' => 424],
            ['card' => 9576],
        ];
    }

    /**
     * @param  array<string, string>  $typed
     * @param  array<string, int>  $sale
     * @param  array<string, int>  $payment
     */
    #[DataProvider('mixtures')]
    public function test_each_document_gets_its_tenders_and_the_books_prove(
        array $typed,
        array $sale,
        array $payment,
    ): void {
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('on-account', ['on_account' => $typed['on_account']])->assertOk();

        foreach (['card', 'cheque', 'charge', 'cash'] as $way) {
            isset($typed[$way]) && $this->does($way, [$way => $typed[$way], 'cheque_number' => '77'])->assertOk();
        }

        $this->does('post')->assertOk();
        $slip = $this->slip();
        $receipt = Document::query()->with('tenders')->findOrFail($slip->receipt_id);
        $this->assertSame($sale, self::tenders($this->document()));
        $this->assertSame($payment, self::tenders($receipt));
        $charged = $sale['house_account'] ?? 0;
        $this->assertSame($charged - (int) str_replace('.', '', $typed['on_account']), $this->balance($this->customer));
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /** @return array<string, int> */
    private static function tenders(Document $document): array
    {
        return $document->tenders
            ->mapWithKeys(static fn (DocumentTender $tender): array => [$tender->kind->value => $tender->amount->minor])
            ->all();
    }

    public function test_the_change_stands_on_the_paper_it_was_given_with(): void
    {
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('on-account', ['on_account' => '10.00'])->assertOk();
        $this->does('cash', ['cash' => '20'])
            ->assertOk()
            ->assertSee('5.75');
        $this->does('post')->assertOk()->assertSee('5.75');
        $receipt = Document::query()->findOrFail($this->slip()->receipt_id);
        $this->assertSame(
            [0, 575, 1],
            [$this->document()->change_given->minor, $receipt->change_given->minor, $receipt->cash_rounding->minor],
        );
        $this->get("/documents/{$receipt->label}/receipt")
            ->assertSee('Paid on account')
            ->assertSee('Change')
            ->assertSee('5.75');
    }

    public function test_two_papers_are_printed_and_the_drawer_opens_once(): void
    {
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('on-account', ['on_account' => '10.00'])->assertOk();
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(2, $this->rows('printed_papers'));
    }

    public function test_too_much_by_other_ways_than_cash_is_refused(): void
    {
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('on-account', ['on_account' => '10.00'])->assertOk();
        $this->does('cheque', ['cheque' => '14.25', 'cheque_number' => '1'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('0.01 more than is due');
        $this->does('on-account', ['on_account' => '-1'])->assertStatus(422);
        $this->does('on-account', ['on_account' => ''])->assertOk();
        $this->assertNull($this->slip()->on_account);
    }
}
