<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Days;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Customers\Customer;
use Elmstone\Paper\OffersLinks;
use Elmstone\Paper\Payable;
use Elmstone\Receivables\Accounts\Activity;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\DisputeItem;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Groups\AccountGroup;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;

/**
 * All that a statement says, as plain data: what is kept of a run, and what screen, PDF and mail are made from. Made
 * again from what was kept, it is the same paper.
 *
 * @phpstan-type Line array{
 *     date: string, number: string, what: string, due: string, amount: string, figure: string, late: bool
 * }
 * @phpstan-type Data array{
 *     shop: list<string>, to: list<string>, account: string, as_of: string, currency: string, kind: string,
 *     title: string, brought: string|null, lines: list<Line>, ageing: array<string, string>, due: string,
 *     due_minor: int, credit: bool, foot: string, terms: string, left_out: string, later?: string, pay?: string
 * }
 */
final readonly class StatementPaper
{
    public function __construct(
        private House $house,
        private AsOf $asOf,
        private Activity $activity,
        private OffersLinks $links,
    ) {
    }

    /**
     * @param  HouseAccount  $account with its customer
     * @return Data
     */
    public function of(HouseAccount $account, StatementOptions $options): array
    {
        $kind = $options->kind ?? $account->statement_kind;
        [$items, $brought, $lines, $leftOut] = $this->sections($account, $kind, $options);
        $ageing = $this->asOf->age($items, $options->asOf);
        // Parts of a plan that fall due later are not asked for now.
        $later = Money::sum(
            $items
                ->filter(
                    static fn (OpenItemRecord $item): bool => $item->purpose === Purpose::PlanPart
                        && $item->due_date->greaterThan($options->asOf),
                )
                ->map(static fn (OpenItemRecord $item): Money => $item->open),
            $this->house->currency(),
        );
        $balance = $ageing->balance->minus($later);

        return [
            'shop' => $this->shop(),
            'to' => array_values(
                array_filter(
                    [$account->customer->name, $account->customer->street, $account->customer->place()],
                    static fn (string $line): bool => $line !== '',
                ),
            ),
            'account' => (string) $account->customer->number,
            'as_of' => Show::date($options->asOf),
            'currency' => $this->house->currency()->code,
            'kind' => $kind->value,
            'title' => $kind === StatementKind::OpenItem ? 'Open items' : 'Since '.Show::date($options->from),
            'brought' => $brought === null ? null : Show::money($brought),
            'lines' => $lines,
            'ageing' => array_combine(
                array_map(static fn (AgeBand $band): string => $band->label(), AgeBand::cases()),
                array_map(static fn (AgeBand $band): string => Show::money($ageing->in($band)), AgeBand::cases()),
            ),
            'due' => Show::money($balance->abs()),
            'due_minor' => $balance->minor,
            'credit' => $balance->isNegative(),
            'foot' => $this->foot($account),
            'terms' => $account->terms()->words(),
            'later' => $later->isZero() ? '' : Show::money($later),
            'pay' => $account->head_id === $account->customer_id ? '' : $this->links->address(
                Payable::Account,
                $account->customer_id,
                $balance->orNothing(),
                $options->asOf,
            ),
            'left_out' => $leftOut === null || $leftOut->isZero() ? '' : Show::money($leftOut),
        ];
    }

    /**
     * One account's lines; a head office's with those of its branches, each under its name.
     *
     * @return array{Collection<int, OpenItemRecord>, Money|null, list<Line>, Money|null} what is open, brought
     *     forward, lines, left out
     */
    private function sections(HouseAccount $account, StatementKind $kind, StatementOptions $options): array
    {
        $members = $account->head_id === $account->customer_id
            ? AccountGroup::membersOf($account->customer_id)
            : new Collection([$account]);
        [$all, $lines, $leftOut, $brought] = [new Collection, [], null, null];

        foreach ($members as $member) {
            $items = $this->asOf->items($member->customer_id, $options->asOf)
                ->load('document:id,purchase_order,job,note');
            [$brought, $theirs, $left] = $kind === StatementKind::OpenItem
                ? $this->openItems($items, $options)
                : $this->balanceForward($member, $options);
            $all = $all->concat($items);
            $leftOut = $left === null ? $leftOut : $left->plus($leftOut ?? $this->house->money(0));

            if ($members->count() > 1 && ($theirs !== [] || $brought?->isZero() === false)) {
                $lines[] = self::heading($member->customer, $brought);
            }

            array_push($lines, ...$theirs);
        }

        return [$all, $members->count() > 1 ? null : $brought, $lines, $leftOut];
    }

    /** @return Line the name under which a branch's lines stand, and what is brought forward of it */
    private static function heading(Customer $customer, ?Money $brought): array
    {
        return [
            'date' => '', 'number' => (string) $customer->number, 'what' => $customer->name, 'due' => '',
            'amount' => '', 'figure' => $brought === null ? '' : Show::money($brought), 'late' => false,
        ];
    }

    /** Where to pay, and what the house says on all such papers. */
    private function foot(HouseAccount $account): string
    {
        $shop = $this->house->shop();
        $pay = $shop->bank_account === '' ? ''
            : "Please pay to {$shop->bank_account} and name account {$account->customer->number}.";

        return trim("{$pay} {$shop->paper_foot}");
    }

    /** @return list<string> */
    private function shop(): array
    {
        $shop = $this->house->shop();
        $location = Location::query()->orderBy('id')->firstOrFail();

        return [$shop->name, $location->street, $location->town, $location->phone];
    }

    /**
     * @param  Collection<int, OpenItemRecord>  $items
     * @return array{null, list<Line>, Money}
     */
    private function openItems(Collection $items, StatementOptions $options): array
    {
        $lines = [];
        $leftOut = $this->house->money(0);
        $disputed = DisputeItem::on($options->asOf);

        foreach ($items as $item) {
            $open = $item->signedOpen();

            if (
                $item->kind === ItemKind::Charge
                && Days::between($item->business_date, $options->asOf) <= $options->olderThan
                && $options->olderThan > 0
            ) {
                $leftOut = $leftOut->plus($open);

                continue;
            }

            $lines[] = [
                'date' => Show::date($item->business_date),
                'number' => $item->label,
                'what' => $this->what($item).(isset($disputed[$item->document_id]) ? ' · disputed' : ''),
                'due' => $item->kind === ItemKind::Charge ? Show::date($item->due_date) : '',
                'amount' => $item->amount->equals($item->open) ? '' : Show::money($item->amount),
                'figure' => Show::money($open),
                'late' => $item->kind === ItemKind::Charge && $item->due_date->lessThan($options->asOf),
            ];
        }

        return [null, $lines, $leftOut];
    }

    /** @return array{Money, list<Line>, null} */
    private function balanceForward(HouseAccount $account, StatementOptions $options): array
    {
        $lines = [];

        foreach (
            array_reverse(
                $this->activity->rows($account->customer_id, $options->asOf, from: $options->from, most: 5000),
            ) as $row
        ) {
            $lines[] = [
                'date' => Show::date($row->item->business_date),
                'number' => $row->item->label,
                'what' => $this->what($row->item),
                'due' => $row->item->kind === ItemKind::Charge ? Show::date($row->item->due_date) : '',
                'amount' => Show::money($row->moved),
                'figure' => Show::money($row->balance),
                'late' => false,
            ];
        }

        return [$this->asOf->balance($account->customer_id, $options->from->subDay()), $lines, null];
    }

    private function what(OpenItemRecord $item): string
    {
        $words = $item->relationLoaded('document')
            ? array_filter(
                [$item->document->purchase_order, $item->document->job],
                static fn (string $part): bool => $part !== '',
            )
            : [];
        $title = match ($item->purpose) {
            Purpose::Sale => $item->kind === ItemKind::Charge ? 'Invoice' : 'Credit note',
            Purpose::Void => 'Sale taken back',
            Purpose::Payment => 'Payment, thank you',
            Purpose::ReturnedPayment => 'Payment returned',
            Purpose::Fee => 'Charge for payment in parts',
            Purpose::OpeningOwed, Purpose::OpeningCredit => $item->purpose->words(null)
                .($item->relationLoaded('document') ? ": {$item->document->note}" : ''),
            Purpose::PlanPart => $item->relationLoaded('document')
                ? $item->document->note
                : $item->purpose->words(null),
            default => $item->purpose->words(null),
        };

        return implode(' · ', [$title, ...$words]);
    }
}
