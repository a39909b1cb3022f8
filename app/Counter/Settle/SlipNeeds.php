<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\Needs\CardNeeds;
use Elmstone\Counter\Settle\Needs\LayawayNeeds;
use Elmstone\Counter\Settle\Needs\LineNeeds;
use Elmstone\Counter\Settle\Needs\MoneyNeeds;
use Elmstone\Counter\Settle\Needs\NeedsOf;
use Elmstone\Counter\Settle\Needs\OrderNeeds;
use Elmstone\Counter\Settle\Needs\ReturnNeeds;
use Elmstone\Counter\Settle\Needs\TermsNeeds;
use Elmstone\Counter\Settle\Needs\WayNeeds;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;

/**
 * What on a slip goes no further until somebody else allows it, figure by figure, and what of it is allowed: worked out
 * of the slip as it stands whenever it is looked at, so that an approval never stretches. Reads the slip's approvals
 * only where there is something to approve.
 */
final class SlipNeeds
{
    /** @var list<class-string<NeedsOf>> in the order a clerk would deal with them */
    private const KINDS = [
        LineNeeds::class,
        TermsNeeds::class,
        LayawayNeeds::class,
        OrderNeeds::class,
        ReturnNeeds::class,
        CardNeeds::class,
        WayNeeds::class,
        MoneyNeeds::class,
    ];

    /** @var list<Need>|null */
    private ?array $all = null;

    /** @var list<string>|null places of all */
    private ?array $places = null;

    /** @var Collection<int, Approval>|null */
    private ?Collection $given = null;

    /** @var array<string, Need> that came to light under the stock's lock */
    private array $committed = [];

    private readonly Slip $slip;

    private readonly Limits $limits;

    public function __construct(private readonly ReckonedCounter $reckoned, private readonly House $house)
    {
        $this->slip = $reckoned->slip;
        $this->limits = app(Limits::class);
    }

    /** @return list<Need> in the order a clerk would deal with them */
    public function all(): array
    {
        return $this->all ??= $this->slip->isDone()
            ? []
            : array_merge(...array_map(fn (string $kind): array => $this->of($kind)->all(), self::KINDS));
    }

    /** Whether anything is to be allowed at a place, or was. */
    public function isAsked(string $place): bool
    {
        return in_array($place, $this->places ??= array_column($this->all(), 'place'), true);
    }

    /**
     * Those that nobody has allowed as they stand now.
     *
     * @param  string|null  $place only what is to be allowed there
     * @return list<Need>
     */
    public function open(?string $place = null): array
    {
        return array_values(
            array_filter(
                $this->all(),
                fn (Need $need): bool => (
                    $place === null || $need->place === $place
                ) && $this->approval($need) === null,
            ),
        );
    }

    /** Who allowed it; null: nobody, as it stands now. What somebody posts themselves they cannot have allowed. */
    public function approval(Need $need): ?Approval
    {
        return $this->given()->first(
            fn (Approval $one): bool => $one->approved_by !== $this->by()->id && $one->covers($need->scope),
        );
    }

    /** @return list<Approval> what was allowed there and holds */
    public function allowed(string $place): array
    {
        return array_values(
            array_filter(
                array_map(
                    fn (Need $need): ?Approval => $need->place === $place ? $this->approval($need) : null,
                    $this->all(),
                ),
                static fn (?Approval $one): bool => $one !== null,
            ),
        );
    }

    /** In words that an approval was given there which no longer covers what stands there now; empty: none was. */
    public function dropped(string $place): string
    {
        $last = $this->open($place) === []
                ? null
                : $this->given()->last(static fn (Approval $one): bool => $one->place === $place);

        return $last === null ? '' : "What was approved there no longer covers it: {$last->detail}.";
    }

    /**
     * @return list<array{string, Need, Approval}> what the documents must keep: place on the slip, need and approval
     */
    public function kept(): array
    {
        $kept = [];

        foreach ([...$this->all(), ...$this->committed] as $need) {
            $approval = $this->approval($need);
            $approval === null || ($kept[] = [$need->place, $need, $approval]);
        }

        return $kept;
    }

    /** Whether anything that was approved stands at the place. */
    public function approvalAt(string $place, ApprovalKind ...$kinds): ?Approval
    {
        foreach ($this->all() as $need) {
            if ($need->place === $place && ($kinds === [] || in_array($need->scope->kind, $kinds, true))) {
                return $this->approval($need);
            }
        }

        return null;
    }

    /**
     * @template T of NeedsOf
     *
     * @param  class-string<T>  $kind
     * @return T
     */
    private function of(string $kind): NeedsOf
    {
        return new $kind($this->reckoned, $this->house, $this->limits);
    }

    /** @return Collection<int, Approval> */
    private function given(): Collection
    {
        return $this->given ??= $this->slip->exists
            ? Approval::query()->with('approver')->where('slip_id', $this->slip->id)->orderBy('id')->get()
            : new Collection;
    }

    /** Who stands at the till. */
    private function by(): Staff
    {
        return $this->slip->by ??= Staff::query()->findOrFail($this->slip->staff_id);
    }

    /**
     * Where the stock's lock shows that what is set aside for others would go with the line.
     *
     * @throws Refused committed
     */
    public function assertMayTakeCommitted(LineOnSlip $line): void
    {
        $need = $this->of(LineNeeds::class)->committed($line);
        $this->approval($need) === null ? throw $need->refused : ($this->committed["line.{$line->id}"] = $need);
    }
}
