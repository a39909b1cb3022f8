<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes deposits. Always under the customer's lock, which is taken before anything else is read in
 * the transaction.
 */
final class DepositLedger
{
    public function __construct(private readonly House $house)
    {
    }

    /** Also where nothing was ever held for them. */
    public function lock(int $customer): DepositAccount
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Deposits are locked inside a transaction.');
        }

        return DepositAccount::query()->where('customer_id', $customer)->lockForUpdate()->first()
            ?? $this->open($customer);
    }

    /** @param  string  $keptFor the order it is kept for; empty: free */
    public function put(
        DepositAccount $account,
        int $document,
        int $amount,
        string $keptFor,
        CarbonImmutable $day,
    ): void {
        $this->write($account, $document, [$keptFor => $amount], $day);
    }

    /**
     * What is free goes first, then what is kept for an order, oldest first; the one named before all others.
     *
     * @param  int  $amount minor units, above zero
     *
     * @throws Refused over_deposit
     */
    public function take(
        DepositAccount $account,
        int $document,
        int $amount,
        CarbonImmutable $day,
        ?string $from = null,
    ): void {
        if ($amount > $account->held) {
            throw Refused::because(
                'over_deposit',
                'Only '.Show::money($this->house->money($account->held)).' is held for them in deposits.',
            );
        }

        $left = $amount;
        $parts = [];

        foreach (self::inOrder(DepositsHeld::of($account->customer_id)->parts, $from) as $keptFor => $held) {
            $parts[(string) $keptFor] = -min($held, $left);
            $left -= min($held, $left);
        }

        if ($left !== 0) {
            throw new LogicException("The deposits of customer {$account->customer_id} do not come to what is held.");
        }

        $this->write($account, $document, array_filter($parts, static fn (int $part): bool => $part !== 0), $day);
    }

    /**
     * Two may open the same account at once: the insert waits for the other, and the lock finds what is there then.
     */
    private function open(int $customer): DepositAccount
    {
        DB::table('deposit_accounts')->insertOrIgnore(['customer_id' => $customer, 'held' => 0]);

        return DepositAccount::query()->where('customer_id', $customer)->lockForUpdate()->firstOrFail();
    }

    /**
     * @param  array<string, int>  $parts
     * @return array<string, int>
     */
    private static function inOrder(array $parts, ?string $from): array
    {
        return $from === null || ! isset($parts[$from]) ? $parts : [$from => $parts[$from]] + $parts;
    }

    /** @param  array<array-key, int>  $parts minor units by what they are kept for */
    private function write(DepositAccount $account, int $document, array $parts, CarbonImmutable $day): void
    {
        DB::table('deposit_entries')->insert(
            array_map(
                static fn (int|string $keptFor, int $amount): array => [
                    'customer_id' => $account->customer_id,
                    'document_id' => $document,
                    'kept_for' => (string) $keptFor,
                    'amount' => $amount,
                    'business_date' => $day->format('Y-m-d'),
                ],
                array_keys($parts),
                $parts,
            ),
        );
        $account->forceFill(['held' => $account->held + array_sum($parts)])->save();
    }
}
