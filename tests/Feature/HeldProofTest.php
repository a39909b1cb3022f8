<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Proof\Prove;
use Elmstone\Layaways\Layaway;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** The proofs of what is held find what was tampered with: a proof that cannot fail proves nothing. */
final class HeldProofTest extends TamperCase
{
    use Layaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->hold('20.68', '2 x MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => '80', 'deposit_for' => 'bathroom'])->assertOk();
        $this->does('cash', ['cash' => '80'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    /**
     * @return iterable<string, array{Closure(): mixed, string}> what is done behind the books' back, and what the proof
     *     says
     */
    public static function tampering(): iterable
    {
        yield 'more is held on a layaway' => [
            static fn () => DB::table('layaways')->update(['held' => 2168]),
            'what is held is 2168',
        ];
        yield 'a layaway costs less' => [
            static fn () => DB::table('layaways')->update(['total' => 20000]),
            'the total is 20000',
        ];
        yield 'an agreed price is another' => [
            static fn () => DB::table('layaway_lines')->update(['unit_price' => '90']),
            'the total is 20680',
        ];
        yield 'the tax of the agreement is another' => [
            static fn () => DB::table('layaways')->update(['tax' => DB::raw("REPLACE(tax, '10', '12')")]),
            'the total is 20680',
        ];
        yield 'an instalment is a cent short' => [
            static fn () => DB::table('layaway_instalments')->where('position', 1)->decrement('amount'),
            'the sum of its schedule',
        ];
        yield 'it is due another day' => [
            static fn () => DB::table('layaways')->update(['next_due' => '2030-01-01']),
            'what is due next',
        ];
        yield 'it is paid in full by its state' => [
            static fn () => DB::table('layaways')->update(['state' => 'ready']),
            'whether it is paid in full',
        ];
        yield 'it has ended with money on it' => [
            static fn () => DB::table('layaways')->update(['state' => 'cancelled']),
            'what was paid on the open ones',
        ];
        yield 'less is committed' => [
            static fn () => DB::table('stock')
                ->where('committed', '>', 0)
                ->update(['committed' => 1]),
            'is committed, open layaways set',
        ];
        yield 'a commitment is of another quantity' => [
            static fn () => DB::table('commitments')->update(['quantity' => 5]),
            'its commitment of item',
        ];
        yield 'a commitment is gone' => [
            static fn () => DB::table('commitments')->delete(),
            'commitments: their count',
        ];
        yield 'a piece is aside for nobody' => [
            static fn () => DB::table('item_serials')->insert([
                'item_id' => (int) DB::table('items')->min('id'),
                'serial' => 'X',
                'state' => 'aside',
                'layaway_id' => null,
            ]),
            'those aside for a layaway that is not open',
        ];
        yield 'more is held in deposits' => [
            static fn () => DB::table('deposit_accounts')->update(['held' => 8001]),
            'is held, the entries come to',
        ];
        yield 'a deposit entry without a posting' => [
            static fn () => DB::table('deposit_entries')->insert([
                'customer_id' => (int) DB::table('customers')->min('id'),
                'document_id' => (int) DB::table('documents')->max('id'),
                'kept_for' => '',
                'amount' => 5,
                'business_date' => '2026-01-01',
            ]),
            'the entries by 8005',
        ];
        yield 'an order has less than nothing' => [
            static fn () => DB::table('deposit_entries')->insert([
                [
                    'customer_id' => (int) DB::table('customers')->min('id'),
                    'document_id' => (int) DB::table('documents')->max('id'),
                    'kept_for' => 'kitchen',
                    'amount' => -5,
                    'business_date' => '2026-01-01',
                ],
                [
                    'customer_id' => (int) DB::table('customers')->min('id'),
                    'document_id' => (int) DB::table('documents')->max('id'),
                    'kept_for' => '',
                    'amount' => 5,
                    'business_date' => '2026-01-01',
                ],
            ]),
            'are below zero',
        ];
    }

    /** @param  Closure(): mixed  $tamper */
    #[DataProvider('tampering')]
    public function test_the_proof_finds_it(Closure $tamper, string $words): void
    {
        $tamper();
        $this->assertStringContainsString($words, implode("\n", app(Prove::class)->handle()->faults));
    }

    public function test_what_is_held_is_bounded_by_the_database_itself(): void
    {
        $this->expectExceptionMessage('layaway_held');
        Layaway::query()->update(['held' => 20681]);
    }
}
