<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Collection;
use Ramsey\Uuid\Uuid;

/**
 * Moves what is open of an item to another account: what was charged to the wrong one, or is paid by another. Two
 * documents, one on each account, that meet on a clearing account; what was open keeps its due day.
 */
final class MoveItem
{
    public function __construct(
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly AdjustAccount $adjust,
    ) {
    }

    /**
     * @param  int  $item document id
     * @return int the document on the other account
     *
     * @throws Refused same_account, not_an_account, reason_missing, not_open
     */
    public function handle(
        int $from,
        int $item,
        int $to,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
    ): int {
        $reason !== '' || throw Refused::because('reason_missing', 'Write why it is moved: that is kept.');
        $from !== $to || throw Refused::because('same_account', 'It stands on this account already.');

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): Collection => $this->ledger->lockAll([$from, $to]))
                ->writing(fn (Collection $accounts): int => $this->write(
                    self::account($accounts, $from), self::account($accounts, $to), $item, $reason, $key, $till, $by,
                )),
        );
    }

    /** @param  Collection<int, HouseAccount>  $accounts */
    private static function account(Collection $accounts, int $customer): HouseAccount
    {
        return $accounts->get($customer)
            ?? throw Refused::because('not_an_account', 'That customer has no house account. Open one first.');
    }

    private function write(
        HouseAccount $from,
        HouseAccount $to,
        int $item,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
    ): int {
        $open = OpenItemRecord::query()->where('customer_id', $from->customer_id)->where('document_id', $item)
            ->lockForUpdate()->first();
        $open !== null && $open->open->isPositive()
            || throw Refused::because('not_open', 'Nothing of it is open on this account.');
        $day = ShopTime::today();
        $at = PostedAt::till($till, $by->id, $day);
        $isCharge = $open->kind === ItemKind::Charge;
        $effect = $isCharge ? $open->open : $open->open->negated();
        $this->books->taking(DocumentKind::Adjustment);
        $out = $this->adjust->post(
            $from, $isCharge ? Purpose::MovedOff : Purpose::MovedOn, $effect->negated(),
            [[Accounts::ACCOUNT_TRANSFERS, $effect]], $at, Uuid::uuid5($key, 'out')->toString(),
            "{$open->label} to another account: {$reason}", $item, $day,
        );
        $setting = Setting::by($by, $day, $key, $reason);
        $isCharge
            ? $this->ledger->allocate($from, $out, [$item => $open->open], $setting)
            : $this->ledger->allocate($from, $item, [$out => $open->open], $setting);

        return $this->adjust->post(
            $to, $isCharge ? Purpose::MovedOn : Purpose::MovedOff, $effect,
            [[Accounts::ACCOUNT_TRANSFERS, $effect->negated()]], $at, $key,
            "{$open->label} from another account: {$reason}", $item, $open->due_date,
        );
    }
}
