<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Held\Ledger\Liability;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Receivables\Accounts\MergeCustomers;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;

/** What money held of every kind does, whichever it is: a new kind has to pass this before anything else. */
final class HeldKindsTest extends FeatureCase
{
    use Accounts;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
    }

    /** @return iterable<string, array{HeldKind}> */
    public static function kinds(): iterable
    {
        foreach (HeldKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    private static function usd(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }

    private function account(HeldKind $kind): HeldAccount
    {
        $ledger = app(HeldLedger::class);

        return $kind->isOnePerCustomer()
            ? $ledger->lock($kind, $this->customer->id)
            : $ledger->open($kind, $this->customer->id);
    }

    /** Money comes in by cash and is held. */
    private function comesIn(HeldAccount $account, string $amount, string $keptFor = ''): int
    {
        $money = self::usd($amount);
        $document = $this->posted(
            DocumentKind::Receipt,
            MoneyEntry::payment($money, self::usd('0'), [$account->kind->value => $money]),
            $money,
        );
        app(HeldLedger::class)->put($account, $document, $money, $this->today(), keptFor: $keptFor);

        return $document;
    }

    /** It goes back in cash. */
    private function goesOut(HeldAccount $account, string $amount, ?string $from = null): int
    {
        $money = self::usd($amount);
        $document = $this->posted(DocumentKind::Refund, MoneyEntry::paidBack($account->kind, $money), $money);
        app(HeldLedger::class)->take($account, $document, $money, $this->today(), Movement::Back, $from);

        return $document;
    }

    private function posted(DocumentKind $kind, MoneyEntry $entry, Money $cash): int
    {
        $draft = app(PaymentDraft::class)->draft(
            $kind,
            $entry,
            PostedAt::till(Till::query()->firstOrFail(), $this->staff('101')->id),
            new Party($this->customer->id, $this->customer->name),
            (string) Str::uuid(),
            [new DraftTender(Tender::of(TenderKind::Cash, $cash), $cash)],
        );

        return app(Books::class)->post(
            Posting::under($draft->key)
                ->locking(static fn (): bool => true)
                ->writing(static fn (): int => app(Books::class)->document($draft)),
        );
    }

    private function today(): CarbonImmutable
    {
        return now()->toImmutable();
    }

    #[DataProvider('kinds')]
    public function test_what_comes_and_goes_is_the_balance_the_document_and_the_journal(HeldKind $kind): void
    {
        [$in, $out] = DB::transaction(function () use ($kind): array {
            $account = $this->account($kind);

            return [$this->comesIn($account, '30'), $this->goesOut($account, '12.5')];
        });

        $this->assertSame(1750, Held::of($kind));
        $this->assertSame(
            [['amount' => 3000], ['amount' => -1250]],
            array_map(
                static fn (int $document): array => (array) DB::table('document_held')
                    ->where('document_id', $document)
                    ->where('kind', $kind->value)
                    ->first(['amount']),
                [$in, $out],
            ),
        );
        $this->assertSame(
            1750,
            (int) DB::table('journal_lines')
                ->where('account', $kind->account())
                ->sum(DB::raw('credit - debit')),
        );
        $this->assertSame(1750, Liability::on($this->today(), $kind)->total($kind)->minor);
        $this->assertTrue(Liability::on($this->today()->subDay(), $kind)->total($kind)->isZero());
    }

    #[DataProvider('kinds')]
    public function test_no_more_leaves_than_is_there(HeldKind $kind): void
    {
        try {
            DB::transaction(function () use ($kind): void {
                $account = $this->account($kind);
                $this->comesIn($account, '10');
                $this->goesOut($account, '10.01');
            });
            $this->fail('More left than was there.');
        } catch (Refused $refused) {
            $this->assertSame("over_{$kind->value}", $refused->rule);
        }

        $this->assertSame([0, 0], [Held::of($kind), $this->documents()]);
    }

    #[DataProvider('kinds')]
    public function test_the_database_holds_nothing_below_zero_and_rewrites_nothing(HeldKind $kind): void
    {
        DB::transaction(fn () => $this->comesIn($this->account($kind), '10'));

        foreach (
            [
                'held_not_below_zero' => static fn () => DB::table('held_accounts')->update(['balance' => -1]),
                'never changed' => static fn () => DB::table('held_entries')->update(['amount' => 1]),
                'is sealed' => static fn () => DB::table('held_entries')->insert([
                    'account_id' => (int) DB::table('held_accounts')->value('id'),
                    'document_id' => (int) DB::table('documents')->value('id'),
                    // Merges move what each customer has one account of, and nothing else.
                    'movement' => $kind->isOnePerCustomer() ? 'in' : 'merged',
                    'amount' => 1,
                    'business_date' => '2027-01-01',
                ]),
            ] as $words => $tamper
        ) {
            try {
                DB::transaction($tamper);
                $this->fail("It was not refused: {$words}.");
            } catch (\Illuminate\Database\QueryException $refused) {
                $this->assertStringContainsString($words, $refused->getMessage());
            }
        }
    }

    #[DataProvider('kinds')]
    public function test_it_is_written_under_a_lock_only(HeldKind $kind): void
    {
        $this->assertThrows(
            function () use ($kind): void {
                DB::rollBack(0);
                $kind->isOnePerCustomer()
                    ? app(HeldLedger::class)->lock($kind, 1)
                    : app(HeldLedger::class)->lockAll([1]);
            },
            LogicException::class,
        );
    }

    /** @return iterable<string, array{HeldKind}> of which a customer has one account */
    public static function solePerCustomer(): iterable
    {
        foreach (self::kinds() as $name => [$kind]) {
            if ($kind->isOnePerCustomer()) {
                yield $name => [$kind];
            }
        }
    }

    #[DataProvider('solePerCustomer')]
    public function test_it_follows_a_merge_of_customers(HeldKind $kind): void
    {
        $into = $this->customer('Wren B. Hollis', ['phone' => '555 0143']);
        DB::transaction(fn () => $this->comesIn($this->account($kind), '10', 'bathroom'));
        app(MergeCustomers::class)->handle($this->customer, $into, $this->staff('301'));

        $this->assertSame([0, 1000], [Held::of($kind, $this->customer->id), Held::of($kind, $into->id)]);
        $this->assertSame('10.00', Liability::on($this->today(), $kind)->customers[0]->of($kind)?->toString());
        $this->assertSame('10.00', KeptFor::ofCustomer($kind, $into->id)->for('bathroom')->toString());
    }
}
