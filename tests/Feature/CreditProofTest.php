<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Proof\Prove;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** What the proof of the books finds when somebody changes returns, cards, credits or coupons behind its back. */
final class CreditProofTest extends TamperCase
{
    use Returning;

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('coupons')->insert([
            'code' => 'SPRING',
            'description' => 'Spring',
            'percent' => '10',
            'starts_on' => '2020-01-01',
        ]);
        $sale = $this->sellTo($this->customer('Wren Hollis'), '4 x LH-1140', 'SPRING');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('store_credit', '3.00')->assertOk();
        $this->refund('gift_card', '2.00')->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    /**
     * @return iterable<string, array{Closure(): mixed, string}> what is done behind the books' back, and what the proof
     *     says
     */
    public static function tampering(): iterable
    {
        yield 'a card is worth more' => [
            static fn () => DB::table('held_accounts')->where('kind', 'gift_card')->update(['balance' => 201]),
            '201 is held, the entries come to 200',
        ];
        yield 'a lost number counts again' => [
            static fn () => DB::table('gift_card_codes')->update(['counts' => false]),
            'not just the number it bears counts',
        ];
        yield 'more store credit is theirs' => [
            static fn () => DB::table('held_accounts')->where('kind', 'store_credit')->update(['balance' => 301]),
            '301 is held, the entries come to 300',
        ];
        $row = static fn (int $amount, string $day): array => [
            'account_id' => (int) DB::table('held_accounts')->where('kind', 'store_credit')->value('id'),
            'document_id' => (int) DB::table('documents')->max('id'),
            'movement' => $amount > 0 ? 'in' : 'used',
            'amount' => $amount,
            'business_date' => $day,
        ];
        $share = static fn (int $amount): array => [
            'document_id' => (int) DB::table('documents')->max('id'),
            'origin_document_id' => (int) DB::table('documents')->where('kind', 'invoice')->min('id'),
            'pool' => 'paid',
            'way' => 'cash',
            'authorisation' => '',
            'amount' => $amount,
        ];
        yield 'store credit on another day' => [
            static fn () => DB::table('held_entries')->insert([$row(5, '2020-01-01'), $row(-5, '2020-01-02')]),
            'store_credit on 2020-01-01',
        ];
        yield 'a coupon was used more often' => [
            static fn () => DB::table('coupons')->update(['uses' => 5]),
            'counted 5 times, used 1 times',
        ];
        yield 'a coupon took more' => [
            static fn () => DB::table('document_coupons')->insert([
                'document_id' => (int) DB::table('documents')->where('kind', 'invoice')->min('id'),
                'position' => 2,
                'coupon_id' => (int) DB::table('coupons')->min('id'),
                'code' => 'X',
                'description' => '',
                'amount' => 5,
                'alone' => 0,
                'taken' => 5,
            ]),
            'coupons come to',
        ];
        $sold = static fn () => DB::table('document_shares')
            ->where('document_id', DB::table('documents')->where('kind', 'invoice')->min('id'));
        yield 'a commission nobody earned' => [
            static fn () => $sold()->update(['commission' => 1]),
            'who sold it is',
        ];
        yield 'a part of a sale moved to nowhere' => [
            static fn () => $sold()->increment('net'),
            'who sold it is',
        ];
        yield 'a sale that is nobody’s' => [static fn () => $sold()->delete(), 'nobody sold it'];
        yield 'commission that is not taken back' => [
            static fn () => DB::table('document_shares')->where('net', '<', 0)->delete(),
            'who sold it is',
        ];
        yield 'a share too many' => [
            static fn () => DB::table('return_shares')->insert($share(1)),
            'of it is accounted for',
        ];
        yield 'more went back in cash than came in' => [
            static fn () => DB::table('return_shares')->insert($share(99_999)),
            'more went back by cash than came in by it',
        ];
        yield 'more came back than was sold' => [
            static fn () => DB::table('document_lines')->insertUsing(
                [
                    'document_id', 'position', 'direction', 'code', 'description', 'quantity', 'unit', 'unit_price',
                    'price_per', 'price_rule', 'list_price', 'may_discount', 'tax_class', 'gross', 'line_discount',
                    'slip_discount', 'net', 'tax_total', 'total', 'cost', 'origin_document_id', 'origin_position',
                    'goods_to',
                ],
                DB::table('document_lines')
                    ->where('direction', 'back')
                    ->whereNotNull('origin_document_id')
                    ->selectRaw(
                        'document_id, 7, direction, code, description, 3, unit, unit_price, price_per, price_rule, '
                            .'list_price, may_discount, tax_class, 0, 0, 0, 0, 0, 0, 0, origin_document_id, '
                            .'origin_position, goods_to',
                    ),
            ),
            'more came back than was sold',
        ];
    }

    /** @param  Closure(): mixed  $tamper */
    #[DataProvider('tampering')]
    public function test_the_proof_finds_it(Closure $tamper, string $words): void
    {
        $tamper();
        $faults = implode("\n", app(Prove::class)->handle()->faults);
        $this->assertStringContainsString($words, $faults);
    }
}
