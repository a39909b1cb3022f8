<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\TakenCheque;
use Elmstone\Books\Proof\RunProof;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\SideBySide;
use Elmstone\Tills\CashMove;
use Elmstone\Tills\CloseTill;
use Elmstone\Tills\Counted;
use Elmstone\Tills\CountTill;
use Elmstone\Tills\Days\CloseDay;
use Elmstone\Tills\Days\CloseMonth;
use Elmstone\Tills\Drawer;
use Elmstone\Tills\MoveCash;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\OpenTill;
use Elmstone\Tills\Safe\CardBatch;
use Elmstone\Tills\Safe\FetchCash;
use Elmstone\Tills\Safe\MeetCredit;
use Elmstone\Tills\Safe\PayIn;
use Elmstone\Tills\Safe\PayOutCards;
use Elmstone\Tills\Safe\Safe;
use Elmstone\Tills\Safe\SafeCheque;
use Elmstone\Tills\TillSession;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Process;
use Ramsey\Uuid\Uuid;

/**
 * The drawers, day by day, by the very acts that open, count and close them: small differences now and then, one that
 * nothing explains, one left open overnight, petty cash, banking once a week, and days and months that close.
 */
final class DemoTills
{
    private const FLOAT = 30000;

    /** Tills that are not used before Thursday and before Saturday, by number. */
    private const FROM = [2 => 4, 3 => 6];

    /** After so many the books are proved for once. */
    private const WEEKS = 13;

    /** Minor units, as they come out of a drawer: hardly anybody pays with larger notes. */
    private const PIECES = [5000, 2000, 1000, 500, 100, 25, 10, 5, 1];

    private const OFF = [-500, -205, -100, -25, -10, -5, -1, 1, 5, 10, 25, 100, 200];

    private const WORDS = ['miscounted change', 'a coin under the drawer', 'change for a note was wrong', 'not found'];

    private const PETTY = [
        ['petty_postage', 460, 'stamps'], ['petty_cleaning', 1290, 'floor cleaner'], ['petty_refreshments', 845, 'tea'],
        ['petty_repairs', 1720, 'bulb and fuse'], ['petty_travel', 600, 'parking at the bank'],
    ];

    private Chance $chance;

    private CarbonImmutable $today;

    /** @var Collection<int, Till> */
    private Collection $tills;

    /** @var non-empty-list<Staff> */
    private array $clerks;

    private Staff $supervisor;

    private Staff $office;

    private int $turn = 0;

    private ?InvokedProcess $proving = null;

    public function __construct(
        private readonly House $house,
        private readonly OpenTill $open,
        private readonly CountTill $count,
        private readonly CloseTill $close,
        private readonly MoveCash $move,
        private readonly Drawer $drawer,
        private readonly Safe $safe,
        private readonly FetchCash $fetch,
        private readonly PayIn $payIn,
        private readonly PayOutCards $payOut,
        private readonly MeetCredit $meet,
        private readonly CloseDay $closeDay,
        private readonly CloseMonth $closeMonth,
        private readonly RunProof $proof,
    ) {
    }

    /**
     * The second and third ones are for the busy days.
     *
     * @param  array<Till>  $tills
     * @return list<Till> those that are used on a day
     */
    public static function on(CarbonImmutable $day, array $tills): array
    {
        return array_values(array_filter($tills, static fn (Till $till): bool => self::isUsed($till->number, $day)));
    }

    private static function isUsed(int $number, CarbonImmutable $day): bool
    {
        return $day->dayOfWeekIso >= (self::FROM[$number] ?? 1);
    }

    /** One that is used today: that of this number, or else the first. */
    public static function till(int $number): Till
    {
        return Till::query()
            ->with('location.taxProfile.components')
            ->where('number', self::isUsed($number, ShopTime::today()) ? $number : 1)
            ->firstOrFail();
    }

    /** Brings the first floats from the bank. */
    public function begin(Chance $chance, CarbonImmutable $first, CarbonImmutable $today): void
    {
        $this->chance = $chance;
        $this->today = $today;
        $this->tills = Till::query()->with('location')->orderBy('number')->get();
        $clerks = Staff::query()->where('role', Role::Clerk)->orderBy('id')->get();
        $this->clerks = [$clerks->firstOrFail(), ...array_values($clerks->skip(1)->all())];
        $this->supervisor = Staff::query()->where('role', Role::Supervisor)->orderBy('id')->firstOrFail();
        $this->office = Staff::query()->where('role', Role::Office)->orderBy('id')->firstOrFail();
        self::at($first, 7, 5);

        foreach ($this->tills->unique('location_id') as $till) {
            $this->fetch->handle($till, $this->house->money(100000), 'floats and coins', $this->office, $this->key());
        }

        CarbonImmutable::setTestNow();
    }

    /** Opens the drawers of a day, as they were left in; the first time with a float from the safe. */
    public function morning(CarbonImmutable $day): void
    {
        self::at($day, 7, 10);

        foreach (self::on($day, $this->tills->all()) as $i => $till) {
            if (OpenSessions::at($till->id) === null) {
                $this->open->handle(
                    $till,
                    TillSession::query()->where('till_id', $till->id)->exists()
                        ? null
                        : $this->house->money(self::FLOAT),
                    $this->clerks[($i + (int) $day->format('z')) % count($this->clerks)],
                    $this->key(),
                );
            }
        }

        CarbonImmutable::setTestNow();
    }

    /** The drawers of today are open. */
    public function today(): void
    {
        foreach ($this->tills as $till) {
            $this->open->handle($till, null, $this->clerks[0], $this->key());
        }
    }

    /** Petty cash now and then, then every drawer is counted and closed, but one that is forgotten once. */
    public function evening(CarbonImmutable $day): void
    {
        $number = (int) $day->diffInDays($this->today);
        $number % 11 === 3 && $this->petty($day);
        self::at($day, 18, 10);

        foreach ($this->tills as $till) {
            $forgotten = $day->isThursday() && $number > 35 && $number < 43 && $till->number === 2;
            $forgotten || $this->closeOf($till, $number === 25 && $till->number === 1 ? -2000 : null);
        }

        CarbonImmutable::setTestNow();
    }

    /** Once a week what lies in the safes goes to the bank, and the acquirer pays out; the bank credits it in time. */
    public function banking(CarbonImmutable $day): void
    {
        if ($day->dayOfWeekIso !== 5) {
            return;
        }

        self::at($day, 9, 30);
        $till = $this->tills->firstOrFail();

        foreach ($this->safe->onTheWay() as $lodgement) {
            $this->meet->handle($lodgement, $lodgement->onTheWay(), $day, $till, $this->office, $this->key());
        }

        foreach ($this->tills->unique('location_id') as $one) {
            $this->lodge($one);
        }

        $batches = $this->safe->batches();
        $taken = Money::sum(array_column($batches, 'amount'), $this->house->currency());
        $taken->isPositive() && $this->payOut->handle(
            $till,
            array_map(static fn (CardBatch $batch): int => $batch->session, $batches),
            $taken->percent(Percentage::of('1.6')),
            "BATCH {$day->format('ymd')}",
            $day,
            $this->office,
            $this->key(),
        );
        CarbonImmutable::setTestNow();
    }

    /** Saturdays close the week; the days behind the last one stay open a while. */
    public function closeDays(CarbonImmutable $day): void
    {
        if ($day->isSaturday() && $day->lessThan($this->today->subDays(3))) {
            self::at($day, 18, 40);

            foreach (Location::query()->orderBy('id')->get() as $location) {
                $this->closeDay->handle($location->id, $day, $this->supervisor);
            }

            CarbonImmutable::setTestNow();
            (int) $day->format('W') % self::WEEKS === 0 && $this->proveBeside();
        }
    }

    /** What is there by now, on another processor while the history goes on: at its end little is left to prove. */
    private function proveBeside(): void
    {
        $this->proved();
        $this->proving = Process::forever()->start(
            ['nice', PHP_BINARY, '-d', 'opcache.enable_cli=1', base_path('artisan'), 'books:prove'],
        );
    }

    private function proved(): void
    {
        $result = $this->proving?->wait();
        $result?->throw();
        $this->proving = null;
    }

    /** Proves the books, and closes every month whose days are closed but the last. */
    public function end(CarbonImmutable $first): void
    {
        $this->proved();
        $this->proof->handle(by: SideBySide::here());
        $until = $this->today->startOfMonth()->subMonth();

        for ($month = $first->startOfMonth(); $month->lessThan($until); $month = $month->addMonth()) {
            self::at($month->addMonth()->addDays(4), 16, 0);
            $this->closeMonth->handle($month, $this->office);
        }

        CarbonImmutable::setTestNow();
    }

    private function petty(CarbonImmutable $day): void
    {
        self::at($day, 14, 20);
        [$account, $amount, $reason] = self::PETTY[$this->turn++ % count(self::PETTY)];
        $this->move->handle(
            $this->tills->firstOrFail(),
            new CashMove(Purpose::PettyCash, $this->house->money($amount), $account, $reason),
            $this->supervisor,
            $this->key(),
        );
    }

    /** @param  int|null  $off minor units by which cash is off; null: as it happens */
    private function closeOf(Till $till, ?int $off): void
    {
        $session = OpenSessions::at($till->id);

        if ($session === null) {
            return;
        }

        $words = $off === null ? $this->chance->oneOf(self::WORDS) : 'nothing explains it';
        $off ??= $this->chance->in(16) ? $this->chance->oneOf(self::OFF) : 0;
        $there = $this->drawer->expected($session);
        $cash = Money::max($there['cash']->plus($this->house->money($off)), $this->house->money(0));
        $count = $this->count->handle(
            $till,
            new Counted(
                $this->pieces($cash),
                array_map(static fn (TakenCheque $cheque): string => $cheque->key(), $this->drawer->cheques($session)),
                $this->house->money(0),
                $there['card'],
                true,
            ),
            0,
            $this->chance->oneOf($this->clerks),
        );
        $this->close->handle(
            $till,
            $count->number,
            Money::min($count->cash(), $this->house->money(self::FLOAT)),
            $cash->equals($there['cash']) ? '' : $words,
            $this->supervisor,
            $this->key(),
        );
    }

    private function lodge(Till $till): void
    {
        // What floats and change need stays in the safe.
        $spare = $this->safe->cash($till->location_id)->minus($this->house->money(30000));
        $whole = $this->house->money(max(0, intdiv($spare->minor, 500) * 500));
        $cheques = $this->safe->cheques($till->location_id);

        if ($whole->isPositive() || $cheques->isNotEmpty()) {
            $this->payIn->handle(
                $till,
                $this->pieces($whole),
                array_values($cheques->map(static fn (SafeCheque $cheque): int => $cheque->id)->all()),
                '',
                $this->office,
                $this->key(),
            );
        }
    }

    private function pieces(Money $cash): CashCount
    {
        [$left, $units] = [$cash->minor, []];

        foreach (self::PIECES as $piece) {
            $units[] = CountedUnit::of($this->house->money($piece), intdiv($left, $piece));
            $left %= $piece;
        }

        return CashCount::of($this->house->currency(), $units);
    }

    private function key(): string
    {
        return Uuid::uuid5(Uuid::NAMESPACE_OID, 'demo-till-'.++$this->turn)->toString();
    }

    private static function at(CarbonImmutable $day, int $hour, int $minute): void
    {
        CarbonImmutable::setTestNow(ShopTime::when($day, $hour, $minute));
    }
}
