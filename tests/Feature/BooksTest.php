<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Posting;
use Elmstone\Books\Register;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use LogicException;

final class BooksTest extends FeatureCase
{
    use Accounts;

    public function test_a_posted_sale_stands_in_the_books_with_everything(): void
    {
        $this->add('10 x LH-1140', 'WA-0001');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $document = $this->document();
        $this->assertSame(
            [DocumentKind::Invoice, 1, 'INV-000001'],
            [$document->kind, $document->number, $document->label],
        );
        $this->assertSame(
            [3950, 385, 4335, 665],
            [
                $document->net->minor,
                $document->tax_total->minor,
                $document->total->minor,
                $document->change_given->minor,
            ],
        );
        $this->assertSame(
            [['state_HF', 3850, 385]],
            $document->taxes
                ->map(static fn ($tax): array => [$tax->component, $tax->base->minor, $tax->amount->minor])
                ->all(),
        );
        $journal = $document->journal
            ->mapWithKeys(static fn ($row): array => [$row->account => $row->debit->minor - $row->credit->minor])
            ->all();
        $this->assertEquals(
            ['cash' => 4335, 'sales:1' => -3950, 'tax:state_HF' => -385, 'cost_of_goods' => 1930, 'inventory' => -1930],
            $journal,
        );
        $this->assertEquals(
            '40.0000',
            DB::table('stock')->join('items', 'items.id', '=', 'item_id')->where('code', 'LH-1140')->value('on_hand'),
        );
        $this->assertSame(2, DB::table('stock_movements')->where('document_id', $document->id)->count());
    }

    public function test_posting_twice_gives_the_same_document(): void
    {
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $version = (string) $this->slip()->version;
        $this->does('post', ['version' => $version])
            ->assertOk()
            ->assertSee('Posted as');
        $this->does('post', ['version' => $version])
            ->assertOk()
            ->assertSee('INV-000001');
        $this->assertSame([1, 1], [$this->documents(), $this->rows('printed_papers')]);
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('Posted as')
            ->assertDontSee('Post sale');
        $this->does('cash', ['cash' => '60'])->assertStatus(422);
        $this->does("lines/{$this->lineId()}", ['quantity' => '9'])->assertStatus(422);
    }

    public function test_the_database_refuses_a_journal_that_does_not_balance_or_is_sealed(): void
    {
        $document = $this->sell('LH-1140');

        try {
            DB::table('journal_lines')->insert([
                'document_id' => $document->id,
                'position' => 99,
                'account' => 'cash',
                'debit' => 1,
                'credit' => 0,
            ]);
            $this->fail('A sealed journal took a line.');
        } catch (QueryException $refused) {
            $this->assertStringContainsString('sealed', $refused->getMessage());
        }

        $bare = [...$document->getRawOriginal(), 'number' => 99, 'label' => 'INV-000099', 'idempotency_key' => 'x'];
        unset($bare['id']);
        $id = DB::table('documents')->insertGetId($bare);
        DB::table('journal_lines')->insert([
            'document_id' => $id,
            'position' => 1,
            'account' => 'cash',
            'debit' => 5,
            'credit' => 0,
        ]);

        foreach ([[5, 5], [5, 0], [0, 0]] as [$debits, $credits]) {
            try {
                DB::table('journal_entries')->insert([
                    'document_id' => $id,
                    'business_date' => '2027-01-01',
                    'debits' => $debits,
                    'credits' => $credits,
                ]);
                $this->fail('A journal that does not balance was sealed.');
            } catch (QueryException $refused) {
                $this->assertMatchesRegularExpression('/does not balance|balanced/', $refused->getMessage());
            }
        }
    }

    public function test_a_document_is_written_by_a_posting_only(): void
    {
        $this->expectExceptionMessage('none is under way');
        app(Books::class)->documents([]); // @phpstan-ignore argument.type
    }

    public function test_a_posting_that_says_nothing_of_its_locks_or_acts_is_none(): void
    {
        $this->assertThrows(fn () => app(Books::class)->post(Posting::under('a')), LogicException::class);
        $this->assertThrows(fn () => Posting::under(''), LogicException::class);
        $this->assertThrows(
            fn () => app(Books::class)->post(Posting::under('a')->locking(static fn (): bool => true)),
            LogicException::class,
        );
    }

    public function test_what_was_done_before_is_answered_under_the_locks_and_not_done_again(): void
    {
        $done = [];
        $posting = Posting::under('a')
            ->locking(function () use (&$done): string {
                $done[] = 'locked';

                return 'held';
            })
            ->unless(function (string $locked) use (&$done): string {
                $done[] = "asked, {$locked}";

                return 'as before';
            })
            ->writing(function (string $locked) use (&$done): string {
                $done[] = 'written';

                return 'anew';
            });

        $this->assertSame('as before', app(Books::class)->post($posting));
        $this->assertSame(['locked', 'asked, held'], $done);
    }

    public function test_an_act_at_midnight_has_one_day(): void
    {
        $customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('deposit', ['deposit_in' => '20'])->assertOk();
        $this->does('cash', ['cash' => '100'])->assertOk();
        $asked = 0;
        $posted = static fn (): Builder => DB::table('documents')->whereIn('kind', ['invoice', 'receipt']);
        // Each time somebody asks the clock, a quarter of a second has gone by: midnight strikes while it is posted.
        CarbonImmutable::setTestNow(function () use (&$asked): CarbonImmutable {
            return CarbonImmutable::parse('2027-03-09 23:59:58', 'UTC')->addMilliseconds(250 * $asked++);
        });
        $this->does('post')->assertOk();
        CarbonImmutable::setTestNow();

        $this->assertGreaterThan(10, $asked);
        $this->assertSame(
            [2, 1, 1],
            [
                $posted()->count(),
                $posted()->distinct()->count('business_date'),
                $posted()->distinct()->count('posted_at'),
            ],
        );
    }

    public function test_documents_are_posted_in_a_transaction_only(): void
    {
        DB::rollBack();
        $this->expectException(LogicException::class);
        app(Register::class)->postAll([]); // @phpstan-ignore argument.type
    }
}
