<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Money the shop holds: a customer's deposits, their store credit, what is paid on one layaway, what one gift card is
 * worth. Changed through HeldLedger only, under the row's lock.
 *
 * @property int $id
 * @property HeldKind $kind
 * @property int|null $customer_id whose it is; null: the bearer's
 * @property bool|null $sole true: the customer's only one of its kind
 * @property Money $balance
 * @property-read Collection<int, HeldEntry> $entries
 */
final class HeldAccount extends Record
{
    protected $table = 'held_accounts';

    protected $casts = ['kind' => HeldKind::class, 'sole' => 'bool', 'balance' => MoneyCast::class];

    /** A customer's only account of a kind; null: nothing was ever held for them. */
    public static function of(HeldKind $kind, int $customer): ?self
    {
        return self::query()->where(self::sole($kind, $customer))->first();
    }

    /** @return array<string, mixed> what finds a customer's only account of a kind */
    public static function sole(HeldKind $kind, int $customer): array
    {
        return ['kind' => $kind->value, 'customer_id' => $customer, 'sole' => true];
    }

    /** @return HasMany<HeldEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(HeldEntry::class, 'account_id')->orderBy('id');
    }
}
