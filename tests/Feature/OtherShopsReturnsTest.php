<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Returns in shops of other kinds: tax in the price, cash in steps, a currency without cents. */
final class OtherShopsReturnsTest extends FeatureCase
{
    use Returning;

    protected function shop(): array
    {
        return match (true) {
            str_contains($this->name(), 'without_cents') => ['currency' => 'JPY', 'notes' => [1000, 5000, 10000]],
            default => ['tax_included' => true, 'cash_step' => Money::of('0.05', Currency::of('USD'))],
        };
    }

    public function test_with_tax_in_the_price_and_cash_in_steps(): void
    {
        $sale = $this->sell('3 x LH-1141');
        $this->assertSame([1320, 120], [$sale->total->minor, $sale->tax_total->minor]);
        $given = 0;

        foreach (['1', '2'] as $quantity) {
            $this->back($sale, [1 => $quantity])->assertOk();
            $this->refund('cash')->assertOk();
            $this->does('post')->assertOk();
            $given += -$this->creditNote()->total->minor;
        }

        $this->assertSame(1320, $given);
        $this->assertProves();
    }

    public function test_what_was_rounded_up_is_not_owed_and_what_was_rounded_down_goes_back(): void
    {
        foreach (['3.87' => 385, '3.88' => 390] as $price => $paid) {
            $this->slip = (string) Str::uuid();
            $this->add('LH-1140')
                ->does("lines/{$this->lineId()}", ['price' => $price])
                ->assertOk();
            $this->does('cash', ['cash' => '5'])->assertOk();
            $this->does('post')->assertOk();
            $sale = $this->document();
            $this->back($sale, [1 => '1'])->assertOk();
            $this->refund('cash')->assertOk();
            $this->does('post')->assertOk();
            $this->assertSame(
                [$paid, $paid],
                [$sale->tenders[0]->amount->minor, $this->creditNote()->tenders[0]->amount->minor],
            );
        }

        $this->assertSame(
            0,
            (int) DB::table('journal_lines')->where('account', 'cash')->sum(DB::raw('debit - credit')),
        );
        $this->assertProves();
    }

    public function test_a_void_to_the_rounded_cent_and_a_credit_with_tax_in_it(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '3.87'])
            ->assertOk();
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('post')->assertOk();
        $this->post("/documents/{$this->document()->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->assertSame(
            [385],
            DB::table('document_tenders')
                ->whereIn('document_id', DB::table('documents')->where('purpose', 'void')->select('id'))
                ->pluck('amount')
                ->all(),
        );
        $sale = $this->sell('2 x PI-2800');
        $this->as('201')
            ->post("/documents/{$sale->label}/credit", [
                'key' => (string) Str::uuid(),
                'amounts' => [1 => '5.50'],
                'why' => 'goodwill',
                'note' => '',
                'way' => 'gift_card',
                ...$this->approval(),
                'approver' => '301',
                'approver_pin' => '4301',
            ])
            ->assertSessionHasNoErrors();
        $this->assertSame(
            [-550, -50],
            array_values(
                (array) DB::table('documents')
                    ->where('kind', 'credit_note')
                    ->where('purpose', 'sale')
                    ->first(['total', 'tax_total']),
            ),
        );
        $this->assertProves();
    }

    public function test_a_currency_without_cents(): void
    {
        Scene::reprice(['list_price' => '385', 'floor_price' => null, 'cost' => '190'], 'LH-1140');
        $this->slip = (string) Str::uuid();
        $this->add('3 x LH-1140')
            ->does('cash', ['cash' => '2000'])
            ->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->back($sale, [1 => '1'])
            ->assertOk()
            ->assertSee('424');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame([1271, 1271 - 424], [$sale->total->minor, Held::of(HeldKind::GiftCard)]);
        $this->assertProves();
    }
}
