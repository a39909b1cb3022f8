<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Groups;

use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\House;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * A head office and its branches: each has an account and a limit of its own; the head office’s limit holds for all of
 * them together, and its stop for all.
 */
final readonly class AccountGroup
{
    /**
     * @param  HouseAccount  $head with its customer
     * @param  Money  $exposure what all of them owe, and have ordered to be charged
     */
    private function __construct(public HouseAccount $head, public Money $exposure)
    {
    }

    /** The group an account is in; null: none. */
    public static function of(HouseAccount $account, House $house): ?self
    {
        if ($account->head_id === null) {
            return null;
        }

        $all = DB::table('house_accounts')
            ->where('head_id', $account->head_id)
            ->selectRaw('COUNT(*) AS members, SUM(balance + orders) AS exposure')
            ->first();

        return (int) $all?->members < 2 ? null : new self(
            HouseAccount::query()->with('customer')->findOrFail($account->head_id),
            $house->money((int) $all?->exposure),
        );
    }

    public function available(): Money
    {
        return $this->head->credit_limit->minus($this->exposure);
    }

    public function isHead(HouseAccount $account): bool
    {
        return $account->customer_id === $this->head->customer_id;
    }

    /** @return Collection<int, HouseAccount> with their customers, the head office first, then by number */
    public function members(): Collection
    {
        return self::membersOf($this->head->customer_id);
    }

    /** @return Collection<int, HouseAccount> with their customers, the head office first, then by number */
    public static function membersOf(int $head): Collection
    {
        return HouseAccount::query()
            ->with('customer')
            ->where('head_id', $head)
            ->get()
            ->sortBy(static fn (HouseAccount $one): array => [
                $one->customer_id === $head ? 0 : 1, $one->customer->number,
            ])
            ->values();
    }
}
