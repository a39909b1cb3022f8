<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreementChange;
use Elmstone\Core\Forecast\OpenInvoice;
use Elmstone\Core\Forecast\PaidInvoice;
use Elmstone\Core\Forecast\Payer;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Shop\House;
use Elmstone\Support\ForecastsPayers;
use Illuminate\Database\Query\Builder;
use stdClass;

/**
 * How each customer paid the instalments of their layaways, and which were open as a day began: by the schedule that
 * held then. Payers of their own, "customer layaway": nobody pays an invoice as they pay an instalment.
 */
final readonly class InstalmentHabits implements ForecastsPayers
{
    public function __construct(private House $house)
    {
    }

    public function payers(CarbonImmutable $asOf): array
    {
        $layaways = $this->layaways($asOf);
        $parts = $this->parts($layaways);
        $payments = $this->payments($layaways, $asOf);
        $since = $asOf->subYearNoOverflow();
        [$paid, $open, $met] = [[], [], []];

        foreach ($layaways as $id => $layaway) {
            $ladder = new PaidLadder($parts[$id] ?? [], $this->before($layaway, $parts[$id] ?? []));
            $payer = "{$layaway->customer_id} layaway";

            foreach ($payments[(int) $layaway->account_id] ?? [] as $day => $amount) {
                foreach ($ladder->pay($amount) as $position => $part) {
                    if (CarbonImmutable::parse($day)->greaterThanOrEqualTo($since)) {
                        $paid[$payer][] = new PaidInvoice($ladder->daysLate($position, $day), $part);
                        $met[$payer]["{$id}-{$position}"] = true;
                    }
                }
            }

            if ($layaway->ended_on === null || (string) $layaway->ended_on >= $asOf->format('Y-m-d')) {
                foreach ($ladder->open() as $position => $left) {
                    $open[$payer][] = new OpenInvoice("{$layaway->label} {$position}", $ladder->due($position), $left);
                }
            }
        }

        return array_map(
            static fn (string $payer): Payer => new Payer(
                $payer, $paid[$payer] ?? [], $open[$payer] ?? [], invoices: count($met[$payer] ?? []),
            ),
            array_keys($open + $paid),
        );
    }

    public function came(CarbonImmutable $asOf, CarbonImmutable $from, CarbonImmutable $until): Money
    {
        return $this->house->money((int) self::entries()
            ->whereIn('account_id', self::madeBefore($asOf)->select('account_id'))
            ->whereBetween('business_date', [$from->format('Y-m-d'), $until->format('Y-m-d')])
            ->sum('amount'));
    }

    /** What was paid, and what of it came back. */
    private static function entries(): Builder
    {
        return HeldEntry::query()->toBase()->whereIn('movement', [Movement::In, Movement::Returned]);
    }

    private static function madeBefore(CarbonImmutable $day): Builder
    {
        return Layaway::query()->toBase()->where('made_on', '<', $day->format('Y-m-d'));
    }

    /** @return array<int, stdClass> those of which something was paid in the year before or is open, by id */
    private function layaways(CarbonImmutable $asOf): array
    {
        $changes = static fn (string $column): Builder => AgreementChange::query()
            ->toBase()
            ->select($column)
            ->whereColumn('agreement_id', 'agreements.id')
            ->limit(1);
        $then = static fn (string $column): Builder => $changes($column)
            ->where('made_at', '<', $asOf->startOfDay())
            ->orderByDesc('id');

        return self::madeBefore($asOf)
            ->where(static fn (Builder $any) => $any->whereNull('ended_on')
                ->orWhere('ended_on', '>=', $asOf->subYearNoOverflow()->format('Y-m-d')))
            ->orderBy('id')
            ->select(['id', 'label', 'customer_id', 'account_id', 'ended_on', 'total'])
            ->selectSub($then('revision'), 'revision_then')
            ->selectSub($then('total_after'), 'total_then')
            ->selectSub(
                $changes('total_before')->where('made_at', '>=', $asOf->startOfDay())->orderBy('id'),
                'total_at_first',
            )
            ->get()
            ->keyBy('id')
            ->all();
    }

    /**
     * @param  array<int, stdClass>  $layaways
     * @return array<int, array<int, LayawayInstalment>> by layaway and position, of the schedule that held then
     */
    private function parts(array $layaways): array
    {
        $parts = [];

        foreach (array_chunk(array_keys($layaways), 1000) as $some) {
            foreach (
                LayawayInstalment::query()->whereIn('agreement_id', $some)->orderBy('position')->get() as $part
            ) {
                $part->revision === (int) ($layaways[$part->agreement_id]->revision_then ?? 1)
                    && ($parts[$part->agreement_id][$part->position] = $part);
            }
        }

        return $parts;
    }

    /**
     * @param  array<int, stdClass>  $layaways
     * @return array<int, array<string, Money>> by account and day, the earliest first
     */
    private function payments(array $layaways, CarbonImmutable $asOf): array
    {
        $payments = [];

        foreach (array_chunk(array_column($layaways, 'account_id'), 1000) as $some) {
            foreach (
                self::entries()
                    ->whereIn('account_id', $some)
                    ->where('business_date', '<', $asOf->format('Y-m-d'))
                    ->groupBy('account_id', 'business_date')
                    ->orderBy('business_date')
                    ->selectRaw('account_id, business_date, SUM(amount) AS amount')
                    ->get() as $row
            ) {
                $payments[(int) $row->account_id][(string) $row->business_date]
                    = $this->house->money((int) $row->amount);
            }
        }

        return $payments;
    }

    /**
     * What was paid before the schedule was made: what it does not reach of the total.
     *
     * @param  array<int, LayawayInstalment>  $parts
     */
    private function before(stdClass $layaway, array $parts): Money
    {
        $total = (int) ($layaway->total_then ?? $layaway->total_at_first ?? $layaway->total);

        return $this->house->money($total)->minus(Money::sum(
            array_map(static fn (LayawayInstalment $part): Money => $part->amount, array_values($parts)),
            $this->house->currency(),
        ));
    }
}
