<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Carbon\CarbonImmutable;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Approvals\RoleLimit;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Everything that leaves the house passes here: what a person hands out is held against their role's limits, per
 * document, per original and per day, whatever page it leaves from. What goes beyond needs the approval of another.
 */
final class Gate
{
    public function __construct(private readonly Limits $limits, private readonly House $house)
    {
    }

    /**
     * So that two tills at which the same person hands out follow each other. Inside a transaction, right after what is
     * posted is locked.
     */
    public function lock(Staff $by): void
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('What somebody hands out is counted inside a transaction.');
        }

        // A row of its own: documents name people, and whoever posts one would wait for who hands out.
        $gate = static fn (): mixed => DB::table('money_gates')
            ->where('staff_id', $by->id)
            ->lockForUpdate()
            ->value('staff_id');

        if ($gate() === null) {
            DB::table('money_gates')->insertOrIgnore(['staff_id' => $by->id]);
            $gate();
        }
    }

    /**
     * What of it needs approval.
     *
     * @param  list<GoingOut>  $going by one document
     * @param  string  $place where it is approved
     * @return list<Need> one for each way at most
     */
    public function needs(Staff $by, CarbonImmutable $day, array $going, string $place): array
    {
        $needs = [];

        foreach ($this->byMatter($going) as $parts) {
            $need = $this->need($by, $day, $parts, $place);
            $need === null || ($needs[] = $need);
        }

        return $needs;
    }

    /** @param  non-empty-list<GoingOut>  $parts of one matter */
    private function need(Staff $by, CarbonImmutable $day, array $parts, string $place): ?Need
    {
        $matter = $parts[0]->matter();
        $limit = $this->limits->of($by->roleHere(), $matter);
        $none = $this->house->money(0);
        $amount = Money::sum(array_map(static fn (GoingOut $part): Money => $part->amount, $parts), $none->currency);
        [$original, $ofOriginal] = self::mostOfOne($parts) ?? ['', $none];
        $words = $this->beyond($by, $day, $parts[0], $limit, $amount, $original, $ofOriginal);

        if ($words === '') {
            return null;
        }

        $originals = array_values(
            array_unique(array_map(static fn (GoingOut $part): string => $part->original, $parts)),
        );
        sort($originals);
        $measured = Money::max($amount, $ofOriginal);
        $scope = Scope::of(ApprovalKind::MoneyOut)
            ->naming('way', $matter->value)
            ->naming('original', implode(' ', $originals))
            ->upTo('amount', $amount);

        return new Need(
            $place,
            $scope,
            Refused::because('over_refund_limit', "{$words} {$this->limits->whoMayApprove($matter, $measured)}"),
            "{$matter->words()}: {$amount->toString()} ".implode(' ', $originals),
            $matter,
            $measured,
        );
    }

    /** In words what goes beyond the limits; empty: nothing. */
    private function beyond(
        Staff $by,
        CarbonImmutable $day,
        GoingOut $part,
        RoleLimit $limit,
        Money $amount,
        string $original,
        Money $ofOriginal,
    ): string {
        $how = self::how($part->way);

        return match (true) {
            $limit->perDocument !== null && $amount->exceeds($limit->perDocument) => $limit->perDocument->isZero()
                ? Show::money($amount)." is handed back {$how}."
                : 'More than '.Show::money($limit->perDocument)." is handed back {$how}.",
            $limit->perOriginal !== null && $ofOriginal->exceeds($limit->perOriginal) => 'With what went back before, '
                .'more than '.Show::money($limit->perOriginal)." of {$original} is handed back {$how}.",
            $limit->perDay !== null
                && $this->today($by, $day, $part)->plus($amount)->exceeds($limit->perDay) => 'With what '
                ."{$by->name} handed out that day, it is more than ".Show::money($limit->perDay)." {$how}.",
            default => '',
        };
    }

    /** What the person let leave by the same way on the day, or today under another date. */
    private function today(Staff $by, CarbonImmutable $day, GoingOut $part): Money
    {
        $sum = DB::table('documents as d')
            ->join('document_tenders as t', 't.document_id', '=', 'd.id')
            ->where('d.staff_id', $by->id)
            ->where(
                static fn ($query) => $query
                    ->whereIn('d.kind', [DocumentKind::CreditNote->value, DocumentKind::Refund->value])
                    ->orWhereIn('d.purpose', [Purpose::PettyCash->value, Purpose::CommissionPaid->value]),
            )
            ->where('t.kind', $part->way->value)
            // Nothing is posted before its day, so what was posted earlier need not be looked at.
            ->where('d.posted_at', '>=', ShopTime::beginning($day)->format('Y-m-d H:i:s'))
            ->where(
                static fn ($query) => $query
                    ->where('d.business_date', $day->format('Y-m-d'))
                    ->orWhere('d.posted_at', '>=', ShopTime::beginning(ShopTime::today())->format('Y-m-d H:i:s')),
            )
            ->sum('t.amount');

        return $this->house->money((int) $sum);
    }

    /**
     * @param  non-empty-list<GoingOut>  $parts
     * @return array{string, Money}|null the original of which most has left with this, and how much
     */
    private static function mostOfOne(array $parts): ?array
    {
        $most = null;
        $of = [];

        foreach ($parts as $part) {
            $before = $of[$part->original] ?? $part->before;
            $of[$part->original] = $before?->plus($part->amount) ?? $part->amount;
        }

        unset($of['']);

        foreach ($of as $original => $amount) {
            $most = $most !== null && ! $amount->exceeds($most[1]) ? $most : [(string) $original, $amount];
        }

        return $most;
    }

    /**
     * @param  list<GoingOut>  $going
     * @return array<string, non-empty-list<GoingOut>>
     */
    private function byMatter(array $going): array
    {
        $by = [];

        foreach ($going as $part) {
            if ($part->amount->isPositive()) {
                $by[$part->matter()->value][] = $part;
            }
        }

        return $by;
    }

    private static function how(TenderKind $way): string
    {
        return match ($way) {
            TenderKind::Cash => 'in cash',
            TenderKind::Card => 'to a card',
            TenderKind::GiftCard => 'onto a gift card',
            TenderKind::StoreCredit => 'as store credit',
            TenderKind::HouseAccount => 'to the account',
            TenderKind::DepositHeld => 'as a deposit',
            default => 'by '.mb_strtolower($way->label()),
        };
    }
}
