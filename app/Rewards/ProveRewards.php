<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Brick\Math\BigDecimal;
use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Rewards\Programme;
use Elmstone\Shop\House;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Proves rewards: each sale gave the points that its lines weigh at the rates kept with it, what came back took its
 * part of them, each reward stands with the points that became it, and rewards given are the sum of all.
 */
final readonly class ProveRewards implements Topic
{
    private const AT_ONCE = 500;

    public function __construct(private House $house)
    {
    }

    public function inWords(): string
    {
        return 'Rewards are what the points say';
    }

    public function page(): string
    {
        return 'rewards';
    }

    public function prove(Proof $proof): void
    {
        $this->given($proof);
        $earned = 0;

        DB::table('reward_entries')->where('kind', 'earned')->orderBy('id')->chunk(
            self::AT_ONCE,
            function (Collection $rows) use ($proof, &$earned): void {
                $earned += $rows->count();
                $this->earned($proof, $rows);
                $this->back($proof, $rows);
            },
        );
        $proof->checked('sales that gave points', $earned);
        $moved = (int) DB::table('reward_entries')->where('kind', 'merged')->sum('points');
        $proof->same('reward points', 'those that moved from customer to customer', $moved, 0);
    }

    private function given(Proof $proof): void
    {
        $rewards = Posted::documents()
            ->leftJoin('reward_entries as e', static fn ($join) => $join
                ->on('e.document_id', '=', 'd.id')
                ->where('e.kind', 'turned'))
            ->where('d.purpose', Purpose::Reward->value)
            ->get(['d.label', 'd.total', 'e.points']);

        foreach ($rewards as $row) {
            (int) $row->points < 0 && (int) $row->total > 0
                || $proof->fault("{$row->label}: a reward without points that became it");
        }

        $proof->same('rewards', 'those that points became', $rewards->count(), DB::table('reward_entries')
            ->where('kind', 'turned')->count());
        $proof->same(
            'rewards given',
            'the sum of all rewards',
            (int) $rewards->sum('total'),
            (int) Posted::journal()->where('j.account', Accounts::REWARDS_GIVEN)
                ->where('d.purpose', Purpose::Reward->value)->sum(DB::raw('j.debit - j.credit')),
        );
    }

    /** @param  Collection<int, \stdClass>  $rows */
    private function earned(Proof $proof, Collection $rows): void
    {
        $weighed = $this->weighed($rows->pluck('rates', 'document_id')->all());

        foreach ($rows as $row) {
            $is = $weighed[(int) $row->document_id] ?? BigDecimal::zero();
            $is->isEqualTo((string) $row->weighed) && Programme::whole($is) === (int) $row->points
                || $proof->fault(
                    "reward points of document {$row->document_id}: {$row->points} of {$row->weighed}; its lines "
                        ."weigh {$is}",
                );
        }
    }

    /** @param  Collection<int, \stdClass>  $rows sales that gave points */
    private function back(Proof $proof, Collection $rows): void
    {
        $back = DB::table('reward_entries')->whereIn('origin_id', $rows->pluck('document_id'))->where('kind', 'back')
            ->groupBy('origin_id')
            ->selectRaw('origin_id, CAST(SUM(points) AS SIGNED) AS points, SUM(weighed) AS weighed')
            ->get()
            ->keyBy('origin_id');

        foreach ($rows as $row) {
            $gone = $back[$row->document_id] ?? null;
            $all = BigDecimal::of((string) $row->weighed);

            try {
                $right = $gone === null ? 0 : -Programme::back(
                    (int) $row->points,
                    $all,
                    BigDecimal::min($all, BigDecimal::of((string) $gone->weighed)->negated()),
                    0,
                );
            } catch (Refused $refused) {
                $proof->fault("reward points of document {$row->document_id}: {$refused->getMessage()}");

                continue;
            }

            $proof->same(
                "reward points of document {$row->document_id}",
                'those taken back',
                (int) ($gone->points ?? 0),
                $right,
            );
        }
    }

    /**
     * @param  array<mixed>  $rates JSON by document
     * @return array<int, BigDecimal> what the lines of each weigh
     */
    private function weighed(array $rates): array
    {
        $included = $this->house->taxTerms()->taxIncluded;
        $weighed = [];
        $lines = Posted::lines()
            ->whereIn('d.id', array_keys($rates))
            ->where('l.direction', 'out')
            ->whereNotNull('l.department_id')
            ->get(['d.id', 'l.department_id', 'l.net', ...$included ? [Posted::lineTax()] : []]);

        foreach ($lines as $line) {
            $rate = ((array) json_decode((string) $rates[$line->id], true))[$line->department_id] ?? '0';
            $net = $this->house->money((int) $line->net - (int) ($line->tax ?? 0));
            $weighed[(int) $line->id] = ($weighed[(int) $line->id] ?? BigDecimal::zero())
                ->plus(Programme::weigh($net, BigDecimal::of(is_string($rate) ? $rate : '0')));
        }

        return $weighed;
    }
}
