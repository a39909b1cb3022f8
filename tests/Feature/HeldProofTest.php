<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Proof\Prove;
use Illuminate\Database\Query\Builder;
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
            static fn () => self::account('layaway')->update(['balance' => 2168]),
            '2168 is held, the entries come to 2068',
        ];
        yield 'a layaway costs less' => [
            static fn () => DB::table('agreements')->update(['total' => 20000]),
            'the total is 200.00',
        ];
        yield 'an agreed price is another' => [
            static fn () => DB::table('agreement_lines')->update(['unit_price' => '90']),
            'the total is 206.80',
        ];
        yield 'the tax of the agreement is another' => [
            static fn () => DB::table('agreements')->update(['tax' => DB::raw("REPLACE(tax, '10', '12')")]),
            'the total is 206.80',
        ];
        yield 'an instalment is a cent short' => [
            static fn () => DB::table('layaway_instalments')->where('position', 1)->decrement('amount'),
            'the sum of its schedule',
        ];
        yield 'it is due another day' => [
            static fn () => DB::table('agreements')->update(['next_due' => '2030-01-01']),
            'what is due next',
        ];
        yield 'it is paid in full by its state' => [
            static fn () => DB::table('agreements')->update(['state' => 'ready']),
            'whether it is paid in full',
        ];
        yield 'it has ended with money on it' => [
            static fn () => DB::table('agreements')->update(['state' => 'cancelled']),
            'what was paid on the open ones',
        ];
        yield 'less is committed' => [
            static fn () => DB::table('stock')
                ->where('committed', '>', 0)
                ->update(['committed' => 1]),
            'is committed, open agreements set',
        ];
        yield 'a commitment is of another quantity' => [
            static fn () => DB::table('commitments')->update(['quantity' => 5]),
            'its commitment of item',
        ];
        yield 'a commitment is gone' => [
            static fn () => DB::table('commitments')->delete(),
            'commitments of layaways: their count',
        ];
        yield 'a piece is aside for nobody' => [
            static fn () => DB::table('item_serials')->insert([
                'item_id' => (int) DB::table('items')->min('id'),
                'serial' => 'X',
                'state' => 'aside',
                'agreement_id' => null,
            ]),
            'those aside for an agreement that is not open',
        ];
        yield 'more is held in deposits' => [
            static fn () => self::account('deposit')->update(['balance' => 8001]),
            '8001 is held, the entries come to 8000',
        ];
        yield 'the money of a layaway is another’s' => [
            static fn () => self::account('layaway')->update(['customer_id' => null]),
            'whose its money is',
        ];
        yield 'money goes from one to another as if they were merged' => [
            static function (): void {
                $from = self::entry(-5, 'bathroom');
                self::account('deposit')->update(['balance' => 7995]);
                $other = DB::table('customers')->where('id', '<>', DB::table('held_accounts')->max('customer_id'));
                $into = DB::table('held_accounts')->insertGetId([
                    'kind' => 'deposit', 'customer_id' => $other->value('id'), 'sole' => true, 'balance' => 5,
                ]);
                DB::table('held_entries')->insert([
                    [...$from, 'movement' => 'merged'],
                    [...self::entry(5, 'bathroom'), 'movement' => 'merged', 'account_id' => $into],
                ]);
            },
            'deposits: money of document',
        ];
        yield 'a deposit entry without a posting' => [
            static fn () => DB::table('held_entries')->insert([self::entry(5)]),
            'the entries by 8005',
        ];
        yield 'a document says that it moved more' => [
            static fn () => DB::table('document_held')->where('kind', 'deposit')->update(['amount' => 8001]),
            'it changes deposits_held by 8001, the entries by 8000, the journal by 8000',
        ];
        yield 'an order has less than nothing' => [
            static fn () => DB::table('held_entries')->insert([self::entry(-5, 'kitchen'), self::entry(5)]),
            'is below zero',
        ];
    }

    private static function account(string $kind): Builder
    {
        return DB::table('held_accounts')->where('kind', $kind);
    }

    /** @return array<string, mixed> of the deposits, under the last document */
    private static function entry(int $amount, string $for = ''): array
    {
        return [
            'account_id' => (int) self::account('deposit')->value('id'),
            'document_id' => (int) DB::table('documents')->max('id'),
            'movement' => 'in',
            'kept_for' => $for,
            'amount' => $amount,
            'business_date' => '2026-01-01',
        ];
    }

    /** @param  Closure(): mixed  $tamper */
    #[DataProvider('tampering')]
    public function test_the_proof_finds_it(Closure $tamper, string $words): void
    {
        $tamper();
        $this->assertStringContainsString($words, implode("\n", app(Prove::class)->handle()->faults));
    }
}
