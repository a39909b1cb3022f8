<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes money held. Always under the account's lock, which is taken before anything else is read
 * in the transaction. What belongs to a gift card or a layaway is locked with it.
 */
final class HeldLedger
{
    /** A customer's only account of a kind, also where nothing was ever held for them. */
    public function lock(HeldKind $kind, int $customer): HeldAccount
    {
        self::assertInside();
        $sole = HeldAccount::sole($kind, $customer);

        return self::sole($sole) ?? $this->openFor($sole);
    }

    /**
     * The accounts of cards or layaways that are locked themselves.
     *
     * @param  array<int>  $ids
     * @return Collection<int, HeldAccount> by id
     */
    public function lockAll(array $ids): Collection
    {
        self::assertInside();

        return $ids === []
            ? new Collection
            : HeldAccount::query()
                ->forceIndex('PRIMARY')
                ->whereIn('id', $ids)
                ->orderBy('id')
                ->lockForUpdate()
                ->get()
                ->keyBy('id');
    }

    /** A new account with nothing on it, for a card or a layaway. */
    public function open(HeldKind $kind, ?int $customer = null): HeldAccount
    {
        return HeldAccount::query()->create([
            'kind' => $kind,
            'customer_id' => $customer,
            'balance' => Money::zero(app(Currency::class)),
        ]);
    }

    /**
     * Accounts of agreements, which are locked, are another customer's now.
     *
     * @param  array<mixed>  $accounts ids
     */
    public function giveTo(array $accounts, int $customer): void
    {
        HeldAccount::query()
            ->whereIn('id', $accounts)
            ->update(['customer_id' => $customer]);
    }

    /** @param  string  $keptFor the order it is kept for; empty: it is free */
    public function put(
        HeldAccount $account,
        int $document,
        Money $amount,
        CarbonImmutable $day,
        Movement $movement = Movement::In,
        string $keptFor = '',
    ): void {
        $this->write($account, $document, $movement, [$keptFor => $amount], $day);
    }

    /**
     * What is free goes first, then what is kept for an order, oldest first; the one named before all others.
     *
     * @throws Refused over_deposit, over_store_credit, over_gift_card, over_layaway
     */
    public function take(
        HeldAccount $account,
        int $document,
        Money $amount,
        CarbonImmutable $day,
        Movement $movement = Movement::Used,
        ?string $from = null,
    ): void {
        self::assertThere($account, $amount);
        $parts = $account->kind === HeldKind::Deposit
            ? KeptFor::of($account)->leaving($amount, $from)
            : ['' => $amount];

        if (! Money::sum($parts, $amount->currency)->equals($amount)) {
            throw new LogicException("The entries of account {$account->id} do not come to what is held.");
        }

        $this->write(
            $account,
            $document,
            $movement,
            array_map(static fn (Money $part): Money => $part->negated(), $parts),
            $day,
        );
    }

    /** @throws Refused over_deposit, over_store_credit, over_gift_card, over_layaway */
    public static function assertThere(HeldAccount $account, Money $amount): void
    {
        $held = Show::money($account->balance);

        if ($amount->exceeds($account->balance)) {
            throw match ($account->kind) {
                HeldKind::Deposit => Refused::because('over_deposit', "Only {$held} is held for them in deposits."),
                HeldKind::StoreCredit => Refused::because(
                    'over_store_credit',
                    "Only {$held} of store credit is theirs.",
                ),
                HeldKind::GiftCard => Refused::because('over_gift_card', "The gift card is worth {$held} now."),
                HeldKind::Layaway => Refused::because('over_layaway', "Only {$held} is paid on the layaway."),
                HeldKind::Order => Refused::because('over_order', "Only {$held} is paid on the order."),
            };
        }
    }

    /**
     * Two may open the same account at once: the insert waits for the other, and the lock finds what is there then.
     *
     * @param  array<string, mixed>  $sole
     */
    private function openFor(array $sole): HeldAccount
    {
        DB::table('held_accounts')->insertOrIgnore($sole);

        return self::sole($sole) ?? throw new LogicException('An account that was just opened is gone.');
    }

    /**
     * By its own index: a search that looked through others on its way would wait for them.
     *
     * @param  array<string, mixed>  $sole
     */
    private static function sole(array $sole): ?HeldAccount
    {
        return HeldAccount::query()
            ->forceIndex('held_accounts_kind_customer_id_sole_unique')
            ->where($sole)
            ->lockForUpdate()
            ->first();
    }

    private static function assertInside(): void
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Money held is locked inside a transaction.');
        }
    }

    /** @param  array<array-key, Money>  $parts by what they are kept for */
    private function write(
        HeldAccount $account,
        int $document,
        Movement $movement,
        array $parts,
        CarbonImmutable $day,
    ): void {
        $parts = array_filter($parts, static fn (Money $part): bool => ! $part->isZero());

        if ($parts === []) {
            return;
        }

        DB::table('held_entries')->insert(
            array_map(
                static fn (int|string $keptFor, Money $amount): array => [
                    'account_id' => $account->id,
                    'document_id' => $document,
                    'movement' => $movement->value,
                    'kept_for' => (string) $keptFor,
                    'amount' => $amount,
                    'business_date' => $day->format('Y-m-d'),
                ],
                array_keys($parts),
                $parts,
            ),
        );
        $account->forceFill([
            'balance' => $account->balance->plus(Money::sum($parts, $account->balance->currency)),
        ])->save();
    }
}
