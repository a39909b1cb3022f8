<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Chain\Says;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Proof\CanonicalJson;
use Elmstone\Core\Proof\Link;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * What the proof names when somebody past the database's locks changes books consistently: every figure fits every
 * other, and still it is not what was posted.
 */
final class ChainTest extends TamperCase
{
    use Returning;

    protected function setUp(): void
    {
        parent::setUp();
        $customer = $this->account('5000.00', terms: ['discount' => '2']);
        $this->charge($customer, 'MA-0031');
        $this->charge($customer, 'MA-0031');
        $this->pay($customer, '50.00');
        $sale = $this->sell('3 x MA-0031', '250 x FX-5060');
        $this->back($sale, [1 => '3'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    /** @return iterable<string, array{Closure(): mixed, string}> what is done, and what the proof says */
    public static function tampering(): iterable
    {
        $cash = static fn () => DB::table('documents')->where('label', 'INV-000003');
        $id = static fn (string $label): int => (int) DB::table('documents')->where('label', $label)->value('id');
        $changed = 'INV-000003: it does not say what it said when it was posted';
        yield 'the business date' => [
            static function () use ($cash, $id): void {
                $cash()->update(['business_date' => '2026-01-05']);
                DB::table('journal_entries')
                    ->where('document_id', $id('INV-000003'))
                    ->update(['business_date' => '2026-01-05']);
                DB::table('stock_movements')
                    ->where('document_id', $id('INV-000003'))
                    ->update(['business_date' => '2026-01-05']);
            },
            $changed,
        ];
        yield 'the customer' => [
            static fn () => $cash()->update(['customer_id' => (int) DB::table('customers')->max('id')]),
            $changed,
        ];
        yield 'the clerk' => [
            static fn () => $cash()->update([
                'staff_id' => (int) DB::table('staff')->where('number', '201')->value('id'),
            ]),
            $changed,
        ];
        yield 'the till' => [
            static fn () => $cash()->update(['till_id' => (int) DB::table('tills')->max('id')]),
            $changed,
        ];
        yield 'the time' => [static fn () => $cash()->update(['posted_at' => '2026-01-05 10:00:00.000']), $changed];
        yield 'tenders swapped with their journal' => [
            static function () use ($id): void {
                DB::table('document_tenders')
                    ->where('document_id', $id('INV-000003'))
                    ->update(['kind' => 'cheque', 'reference' => '77']);
                DB::table('journal_lines')
                    ->where('document_id', $id('INV-000003'))
                    ->where('account', 'cash')
                    ->update(['account' => 'cheques']);
            },
            $changed,
        ];
        yield 'authorisation and last four' => [
            static fn () => DB::table('document_tenders')
                ->where('document_id', $id('INV-000003'))
                ->update(['authorisation' => 'A1', 'last_four' => '1234']),
            $changed,
        ];
        yield 'the words on a line' => [
            static fn () => DB::table('document_lines')
                ->where('document_id', $id('INV-000003'))
                ->where('position', 1)
                ->update(['description' => 'Other goods', 'code' => 'XX-1']),
            $changed,
        ];
        yield 'cost raised, journal and stock with it' => [
            static function () use ($id): void {
                DB::table('document_lines')
                    ->where('document_id', $id('INV-000003'))
                    ->where('position', 1)
                    ->increment('cost', 10);
                DB::table('journal_lines')
                    ->where('document_id', $id('INV-000003'))
                    ->where('account', 'cogs')
                    ->increment('debit', 10);
                DB::table('journal_lines')
                    ->where('document_id', $id('INV-000003'))
                    ->where('account', 'inventory')
                    ->increment('credit', 10);
            },
            $changed,
        ];
        yield 'a department with its account' => [
            static function (): void {
                DB::table('journal_lines')
                    ->where('account', 'like', 'sales%')
                    ->update(['account' => 'fees']);
                DB::table('departments')
                    ->limit(1)
                    ->update(['name' => 'Another']);
            },
            $changed,
        ];
        yield 'a cash sale skimmed throughout' => [
            static function () use ($id): void {
                DB::table('document_lines')
                    ->where('document_id', $id('INV-000003'))
                    ->where('position', 1)
                    ->update(['quantity' => '2']);
                DB::table('stock_movements')
                    ->where('document_id', $id('INV-000003'))
                    ->limit(1)
                    ->update(['quantity' => '-2']);
            },
            $changed,
        ];
        yield 'the last of a series, counter and all' => [
            static function () use ($id): void {
                $last = $id('INV-000003');
                DB::statement('SET FOREIGN_KEY_CHECKS = 0');
                foreach ([...Says::SEALED, 'document_digests', 'paper_issues'] as $table) {
                    DB::table($table)->where('document_id', $last)->delete();
                }
                DB::table('documents')->where('id', $last)->delete();
                DB::table('series')
                    ->where('kind', 'invoice')
                    ->update(['last_number' => 2]);
                DB::statement('SET FOREIGN_KEY_CHECKS = 1');
            },
            'series invoice: the last number that was sealed is 2, but should be 3',
        ];
        yield 'a document put in another’s place in the chain' => [
            static fn () => DB::table('document_digests')
                ->where('document_id', $id('INV-000002'))
                ->update(['before' => Link::NONE]),
            'INV-000002: it does not follow on the document before it',
        ];
        yield 'a document without a seal' => [
            static fn () => DB::table('document_digests')->where('document_id', $id('INV-000001'))->delete(),
            'INV-000001: it is not sealed',
        ];
        yield 'an approval changed' => [
            static fn () => DB::table('approvals')->update(['reason' => 'no reason at all']),
            'CN-000001: it does not say',
        ];
        yield 'an approval removed' => [
            static fn () => DB::table('document_approvals')->delete(),
            'CN-000001: it does not say',
        ];
        yield 'a movement without document' => [
            static fn () => DB::table('stock_movements')->insert([
                'item_id' => (int) DB::table('items')->min('id'),
                'location_id' => (int) DB::table('locations')->min('id'),
                'quantity' => '1',
                'unit_cost' => '1',
                'value' => 100,
                'why' => 'sale',
                'business_date' => '2026-11-01',
            ]),
            'have no document',
        ];
        yield 'an allocation moved' => [
            static function () use ($id): void {
                DB::table('allocations')
                    ->where('charge_id', $id('INV-000001'))
                    ->update(['charge_id' => $id('INV-000002')]);
                DB::table('open_items')
                    ->where('label', 'INV-000001')
                    ->update(['open' => DB::raw('amount')]);
                DB::table('open_items')
                    ->where('label', 'INV-000002')
                    ->update(['open' => DB::raw('amount - 5000')]);
            },
            'it is not what was set',
        ];
        yield 'an allocation gone' => [
            static function (): void {
                DB::table('allocations')->delete();
                DB::table('open_items')->update(['open' => DB::raw('amount'), 'moved_on' => DB::raw('business_date')]);
            },
            'what it was set against is not all there',
        ];
        yield 'a due date' => [
            static fn () => DB::table('open_items')
                ->where('label', 'INV-000001')
                ->update(['due_date' => '2027-05-05']),
            'INV-000001: it does not say',
        ];
        yield 'a settlement discount' => [
            static fn () => DB::table('open_items')
                ->where('label', 'INV-000001')
                ->update(['discount_percent' => '9']),
            'INV-000001: it does not say',
        ];
        yield 'a return’s share' => [
            static fn () => DB::table('return_shares')->update(['authorisation' => 'ZZ']),
            'CN-000001: it does not say',
        ];
        yield 'the figures of a line' => [
            static fn () => DB::table('document_lines')
                ->where('document_id', $id('INV-000003'))
                ->where('position', 1)
                ->update(['gross' => 29251, 'net' => 29251]),
            'INV-000003 line 1: net is 29251, but should be',
        ];
        yield 'what is on hand' => [
            static fn () => DB::table('stock')
                ->limit(1)
                ->update(['on_hand' => 7]),
            'what is on hand is 7',
        ];
        yield 'the counter of a series' => [
            static fn () => DB::table('series')
                ->where('kind', 'invoice')
                ->update(['last_number' => 5]),
            'series invoice: the last number is 5',
        ];
    }

    /** @param  Closure(): mixed  $tamper */
    #[DataProvider('tampering')]
    public function test_the_proof_names_it(Closure $tamper, string $words): void
    {
        $tamper();
        $this->assertStringContainsString($words, $this->faults());
    }

    public function test_an_approval_of_other_pieces_or_figures_than_stand_there_is_named(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '2.50', ...$this->approval()])
            ->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
        $kept = (array) DB::table('document_approvals')->where('document_id', $this->document()->id)->first();
        $needed = (string) $kept['needed'];
        DB::table('document_approvals')->insert([
            ...$kept,
            'place' => 'line:2',
            'needed' => str_replace('"quantity":"1"', '"quantity":"500"', $needed),
        ]);
        $this->assertStringContainsString('does not cover pieces', $this->faults());
        DB::table('document_approvals')->insert([
            ...$kept,
            'place' => 'line:01',
            'needed' => str_replace('"net":250', '"net":251', $needed),
        ]);
        $this->assertStringContainsString('was needed for other figures than stand there', $this->faults());
    }

    public function test_an_approval_that_does_not_cover_its_document_is_named(): void
    {
        $kept = (array) DB::table('document_approvals')->first();
        $needed = (string) $kept['needed'];
        DB::table('document_approvals')->update([
            'needed' => preg_replace('/"(amount|money)":"?\d+"?/', '"$1":99999999', $needed),
        ]);
        $this->assertStringContainsString('does not cover', $this->faults());
    }

    public function test_what_proved_before_is_reckoned_again_only_where_it_is_not_what_was_sealed(): void
    {
        $reckoned = static fn (bool $afresh): int => app(Prove::class)->handle($afresh)->checked[
            'documents reckoned again, with their journals'
        ] ?? 0;
        $all = $reckoned(true);
        $this->assertSame([0, $all], [$reckoned(false), $reckoned(true)]);
        DB::table('document_lines')
            ->where('document_id', (int) DB::table('documents')->where('label', 'INV-000003')->value('id'))
            ->where('position', 1)
            ->update(['gross' => 29251, 'net' => 29251]);
        $faults = implode("\n", app(Prove::class)->handle(false)->faults);
        $this->assertStringContainsString('INV-000003 line 1: net is 29251', $faults);
        $this->assertStringContainsString('INV-000003: it does not say what it said', $faults);
    }

    public function test_the_command_says_whether_the_books_prove(): void
    {
        $this->assertSame(0, Artisan::call('books:prove'));
        $this->assertStringContainsString('the books prove', Artisan::output());
        DB::table('series')
            ->where('kind', 'invoice')
            ->update(['last_number' => 5]);
        $this->assertSame(1, Artisan::call('books:prove'));
        $this->assertStringContainsString('series invoice: the last number is 5', Artisan::output());
    }

    public function test_the_digest_is_of_all_it_says_and_of_the_one_before_it(): void
    {
        $seals = DB::table('document_digests')->where('kind', 'invoice')->orderBy('number')->get();
        $this->assertSame(Link::NONE, $seals[0]?->before);
        $this->assertSame($seals[0]->digest, $seals[1]?->before);
        $says = Says::of([(int) $seals[1]->document_id])[(int) $seals[1]->document_id];
        $decoded = array_map(
            static fn (string $part): mixed => json_decode($part, true, 512, JSON_THROW_ON_ERROR),
            $says,
        );
        // What is written straight from the rows is what the standard would write.
        $this->assertSame(
            hash('sha256', CanonicalJson::of(['before' => $seals[1]->before] + $decoded)),
            $seals[1]->digest,
        );
        $parts = array_keys($says);
        sort($parts);
        $this->assertSame(['account', 'goods', 'head', 'journal', 'line_taxes', 'lines', 'shares', 'taxes', 'tenders'],
            $parts,
        );
    }
}
