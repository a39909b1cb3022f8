<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Brick\Math\BigDecimal;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\FollowsSales;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Rewards\Programme;
use Elmstone\Core\Slip\Direction;
use Elmstone\Customers\Customer;
use Illuminate\Support\Facades\DB;

/**
 * A sale to somebody who takes part collects points; what comes back takes them back from whom they were given, however
 * it is posted. docs/rules.md, "Rewards".
 */
final readonly class CollectPoints implements FollowsSales
{
    public function __construct(private RewardTerms $terms)
    {
    }

    public function sold(int $document, DocumentDraft $draft): void
    {
        $this->takeBack($document, $draft);
        $programme = $this->terms->programme();
        $customer = $draft->party->customerId;

        if ($programme !== null && $customer !== null && $draft->kind === DocumentKind::Invoice
            && self::takesPart($customer, $draft)) {
            $this->collect($document, $draft, $programme, $customer);
        }
    }

    private static function takesPart(int $customer, DocumentDraft $draft): bool
    {
        return Customer::query()
            ->whereKey($customer)
            ->where('rewards_on', '<=', $draft->at->day->format('Y-m-d'))
            ->exists();
    }

    private function collect(int $document, DocumentDraft $draft, Programme $programme, int $customer): void
    {
        $weighed = BigDecimal::zero();
        $rates = [];

        foreach ($draft->lines as $line) {
            $rate = $this->terms->rate($programme, $line->departmentId);

            if ($line->reckoned->line->direction === Direction::Out && ! $rate->isZero()) {
                $weighed = $weighed->plus(Programme::weigh(self::net($line, $draft), $rate));
                $rates[(int) $line->departmentId] = (string) $rate;
            }
        }

        $points = Programme::whole($weighed);

        if ($points !== 0) {
            Points::write($customer, 'earned', $points, $draft->at->day, [
                'weighed' => (string) $weighed,
                'rates' => json_encode($rates, JSON_THROW_ON_ERROR | JSON_FORCE_OBJECT),
                'document_id' => $document,
            ]);
            GrantRewards::whereFull($programme, $customer, $document, $draft->at);
        }
    }

    /** What comes back is weighed as it was sold, whatever the rates are by now. */
    private function takeBack(int $document, DocumentDraft $draft): void
    {
        $back = [];

        foreach ($draft->lines as $line) {
            $origin = $line->reckoned->line->direction === Direction::Back ? $line->origin?->documentId : null;
            $origin === null || ($back[$origin][] = $line);
        }

        ksort($back);

        foreach ($back === [] ? [] : $this->given(array_keys($back)) as $given) {
            $this->takeBackFrom($given, $back[$given['origin']], $document, $draft);
        }
    }

    /**
     * @param  list<int>  $documents
     * @return list<array{origin: int, customer: int, points: int, weighed: BigDecimal, rates: array<mixed>}>
     */
    private function given(array $documents): array
    {
        return array_values(DB::table('reward_entries')
            ->whereIn('document_id', $documents)
            ->where('kind', 'earned')
            ->orderBy('id')
            ->get(['document_id', 'points', 'weighed', 'rates', 'customer_id'])
            ->map(static fn (object $row): array => [
                'origin' => (int) $row->document_id,
                'customer' => self::now((int) $row->customer_id),
                'points' => (int) $row->points,
                'weighed' => BigDecimal::of((string) $row->weighed),
                'rates' => (array) json_decode((string) $row->rates, true),
            ])->all());
    }

    /** Who they are by now, where they were merged into another. */
    private static function now(int $customer): int
    {
        $into = Customer::query()->whereKey($customer)->value('merged_into_id');

        return is_int($into) ? self::now($into) : $customer;
    }

    /**
     * @param  array{origin: int, customer: int, points: int, weighed: BigDecimal, rates: array<mixed>}  $given
     * @param  list<DraftLine>  $lines
     */
    private function takeBackFrom(array $given, array $lines, int $document, DocumentDraft $draft): void
    {
        $now = BigDecimal::zero();

        foreach ($lines as $line) {
            $rate = $given['rates'][$line->departmentId ?? 0] ?? '0';
            $now = $now->plus(Programme::weigh(
                self::net($line, $draft),
                BigDecimal::of(is_string($rate) ? $rate : '0'),
            ));
        }

        $before = DB::table('reward_entries')->where('origin_id', $given['origin'])->where('kind', 'back')
            ->selectRaw('CAST(COALESCE(SUM(points), 0) AS SIGNED) AS points, COALESCE(SUM(weighed), 0) AS weighed')
            ->first();
        // Fees that a credit keeps back, and discounts it shares out anew, never take more than was given.
        $gone = BigDecimal::min(
            $given['weighed'],
            $now->minus(BigDecimal::of(is_string($before?->weighed) ? $before->weighed : '0')),
        );
        $taken = is_int($before?->points) ? -$before->points : 0;
        Points::write(
            $given['customer'],
            'back',
            -Programme::back($given['points'], $given['weighed'], $gone, $taken),
            $draft->at->day,
            ['weighed' => (string) $now->negated(), 'document_id' => $document, 'origin_id' => $given['origin']],
        );
    }

    /** Without tax, after all discounts. */
    private static function net(DraftLine $line, DocumentDraft $draft): Money
    {
        return $draft->terms->taxIncluded
            ? $line->reckoned->net->minus($line->reckoned->taxTotal)
            : $line->reckoned->net;
    }
}
