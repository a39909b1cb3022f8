<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Agreements\AgreementMoney;
use Elmstone\Agreements\LineChange;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Lines\ChangeLine;
use Elmstone\Counter\Lines\LineEdit;
use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Parts\TakeDeposit;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Settle\Cards\TakeCard;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Customers\Customer;
use Elmstone\Held\PayOut\PayOutHeld;
use Elmstone\Held\PayOut\PayOutOrder;
use Elmstone\Layaways\CancelLayaway;
use Elmstone\Layaways\CancelOrder;
use Elmstone\Layaways\ChangeLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\MoneyOut\Plan;
use Elmstone\Plans\MakePlan;
use Elmstone\Plans\PlanOrder;
use Elmstone\Plans\PlanTerms;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Reminders\SendReminders;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Layaways and plans in every state, and deposits, made by the very acts a clerk does on the days they were done. */
final class DemoLayaways
{
    /** The strokes of a made-up signature. */
    private const SIGNATURE = 'M24 60 L34 32 L40 28 L42 44 L38 64 L46 50 L56 44 L60 56 L66 46 L74 44 L78 56 L90 40 '
        .'L96 58 L110 36 L118 52 L130 46 L142 54 L160 42 M30 70 L172 62';

    /** Days ago, item, quantity, fortnightly payments made, how it ends. */
    private const MADE = [
        [390, 'MA-0045', '1', 6, 'sold'],
        [355, 'ST-2001', '12', 5, 'sold'],
        [322, 'MA-0057', '1', 6, 'sold'],
        [300, 'MA-0047', '1', 2, 'cancelled'],
        [281, 'MA-0059', '1', 6, 'sold'],
        [249, 'MA-0044', '2', 4, 'sold'],
        [228, 'MA-0065', '1', 6, 'sold'],
        [190, 'ST-2001', '20', 6, 'sold'],
        [171, 'MA-0050', '1', 1, 'kept'],
        [150, 'MA-0048', '1', 5, 'sold'],
        [128, 'MA-0057', '1', 2, 'expired'],
        [97, 'MA-0063', '1', 5, 'swapped'],
        [92, 'MA-0045', '1', 5, 'ready'],
        [84, 'MA-0066', '1', 3, 'behind'],
        [76, 'ST-2001', '16', 5, 'ready'],
        [70, 'MA-0047', '1', 5, 'running'],
        [63, 'MA-0059', '1', 2, 'behind'],
        [58, 'MA-0044', '1', 4, 'running'],
        [49, 'MA-0057', '1', 3, 'running'],
        [45, 'MA-0050', '2', 1, 'behind'],
        [40, 'MA-0042', '1', 2, 'ready'],
        [33, 'MA-0065', '1', 2, 'running'],
        [26, 'MA-0048', '1', 1, 'cancelled'],
        [20, 'MA-0059', '1', 1, 'running'],
        [12, 'MA-0045', '1', 0, 'running'],
        [5, 'ST-2001', '8', 0, 'running'],
    ];

    /** Days ago, amount, the order it is kept for, what became of it. */
    private const DEPOSITS = [
        [210, '150.00', '', 'used'],
        [130, '400.00', 'bathroom tiles', 'kept'],
        [64, '75.00', '', 'back'],
        [37, '250.00', '', 'part'],
        [15, '120.00', 'garden wall', 'kept'],
        [6, '60.00', '', 'free'],
    ];

    /** Days ago, parts. */
    private const PLANS = [[170, 4], [95, 6], [48, 3], [21, 6]];

    /** @var array<string, list<Closure(): mixed>> what is done on each day */
    private array $events = [];

    /** @var list<Customer> */
    private array $people = [];

    private int $cheques = 0;

    private ?DemoAccounts $accounts = null;

    public function __construct(
        private readonly House $house,
        private readonly SlipDesk $desk,
        private readonly DemoClerk $clerk,
        private readonly AddToSlip $add,
        private readonly ApproveNeeds $approve,
        private readonly ChangeLine $change,
        private readonly PutCustomer $put,
        private readonly HoldSlip $hold,
        private readonly PayLayaway $pay,
        private readonly TakeDeposit $deposit,
        private readonly TakeCard $card,
        private readonly CountTender $count,
        private readonly PostSale $post,
        private readonly CancelLayaway $cancel,
        private readonly ChangeLayaway $changeLayaway,
        private readonly PayOutHeld $payOut,
        private readonly MakePlan $plan,
        private readonly SendReminders $reminders,
    ) {
    }

    /** @param  CarbonImmutable  $first the first day of the history */
    public function plan(CarbonImmutable $first, CarbonImmutable $today, DemoAccounts $accounts): void
    {
        $this->accounts = $accounts;
        $this->people = array_values(
            Customer::query()
                ->with('type.priceLevel')
                ->orderBy('id')
                ->skip(DemoCustomers::ACCOUNTS + 2)
                ->limit(count(self::MADE) + count(self::DEPOSITS))
                ->get()
                ->all(),
        );

        foreach (self::MADE as $i => [$ago, $code, $quantity, $payments, $end]) {
            $today->subDays($ago)->lessThan($first)
                || $this->story($this->people[$i], $today
                    ->subDays($ago), $today, $code, $quantity, $payments, $end, $i);
        }

        foreach (self::DEPOSITS as $i => [$ago, $amount, $for, $end]) {
            $today->subDays($ago)->lessThan($first)
                || $this->deposit($this->people[count(self::MADE) + $i], $today->subDays($ago), $amount, $for, $end);
        }

        foreach (self::PLANS as $i => [$ago, $parts]) {
            $this->events[$this->open($today->subDays($ago))->format('Y-m-d')][] = function () use ($parts, $i): void {
                $this->makePlan($parts, $i);
            };
        }
    }

    public function on(CarbonImmutable $day): int
    {
        $events = $this->events[$day->format('Y-m-d')] ?? [];

        foreach ($events as $i => $event) {
            CarbonImmutable::setTestNow(ShopTime::when($day, 11, 10 + $i));
            $event();
        }

        CarbonImmutable::setTestNow();

        return count($events);
    }

    /** Goods on the shelf, and the reminders that went out up to yesterday. */
    public function end(CarbonImmutable $today): void
    {
        foreach (
            Layaway::query()
                ->whereIn('state', ['running', 'ready'])
                ->orderBy('id')
                ->get() as $i => $layaway
        ) {
            $this->changeLayaway->shelve(
                $layaway->id,
                chr(65 + intdiv($i, 4)).' '.(($i % 4) + 1),
                $this->clerk->staff('103'),
            );
        }

        CarbonImmutable::setTestNow(ShopTime::when($today->subDay(), 8, 0));
        $this->reminders->handle($today->subDay());
        CarbonImmutable::setTestNow();
        Item::query()
            ->whereIn('code', ['MA-0045', 'MA-0057', 'MA-0059', 'MA-0065', 'MA-0066'])
            ->update(['has_serials' => true]);
    }

    /** No Sundays. */
    private function open(CarbonImmutable $day): CarbonImmutable
    {
        return $day->isSunday() ? $day->addDay() : $day;
    }

    private function story(
        Customer $customer,
        CarbonImmutable $made,
        CarbonImmutable $today,
        string $code,
        string $quantity,
        int $payments,
        string $end,
        int $number,
    ): void {
        $label = '';
        $at = function (CarbonImmutable $day, Closure $do) use ($today): void {
            $open = $this->open($day);

            if ($open->lessThan($today)) {
                $this->events[$open->format('Y-m-d')][] = $do;
            }
        };
        $at($made, function () use ($customer, $code, $quantity, $number, &$label): void {
            $label = $this->make($customer, $code, $quantity, $number);
        });

        for ($i = 1; $i <= $payments; $i++) {
            $isLast = $i === $payments && in_array($end, ['sold', 'ready'], true);
            $at($made->addDays(14 * $i - ($number % 3)), function () use (&$label, $isLast, $end, $number, $i): void {
                $this->payOn($label, $isLast, $isLast && $end === 'sold', ($number + $i) % 3);
            });
        }

        $after = $made->addDays(14 * $payments + 4);

        match ($end) {
            'cancelled', 'kept' => $at($after, function () use (&$label, $end): void {
                $this->cancel($label, $end === 'kept');
            }),
            'swapped' => $at($after->subDays(20), function () use (&$label): void {
                $layaway = $this->find($label);
                $this->changeLayaway->lines(
                    $layaway->id,
                    $layaway->version,
                    [
                        LineChange::drop(1),
                        LineChange::add(Item::query()->where('code', 'MA-0062')->firstOrFail(), Quantity::of('1')),
                    ],
                    $this->clerk->till(2),
                    $this->clerk->staff('201'),
                );
            }),
            default => null,
        };
    }

    private function make(Customer $customer, string $code, string $quantity, int $number): string
    {
        [$slip, $act] = $this->slip("hold {$number}", $number % 5);
        $this->put->handle($slip, $act(), $customer);
        $added = $this->add->handle($slip, $act(), "{$quantity} x {$code}");

        if ($number % 2 === 0 && in_array($code, ['MA-0045', 'MA-0057', 'MA-0059', 'MA-0065', 'MA-0066'], true)) {
            $this->change->handle(
                $slip,
                $added->lineId,
                $act(),
                new LineEdit(serials: sprintf('HF%02d-%05d', 20 + $number, 41007 + 613 * $number)),
            );
        }

        $least = $this->hold->begin($slip, $act(), null)->hold->deposit->minor ?? 0;
        $this->hold->begin(
            $slip,
            $act(),
            $this->house->money(intdiv($least * (10 + ($number % 4) * 5), 1000) * 100 + 500),
        );
        $this->hold->sign($slip, $act(), self::SIGNATURE, $customer->name);
        $this->settle($slip, $act, $number % 2);

        return (string) Slip::query()->with('heldAs')->where('key', $slip)->firstOrFail()->heldAs?->label;
    }

    private function payOn(string $label, bool $all, bool $leaves, int $way): void
    {
        $layaway = $this->find($label);

        if ($layaway->remaining()->isZero()) {
            return;
        }

        [$slip, $act] = $this->slip("{$label} {$layaway->version}", $way);
        $this->pay->add($slip, $act(), $layaway);
        $paysOff = $all
            || Slip::query()->where('key', $slip)->firstOrFail()->layawayParts()[$layaway->id]->amount
                ->equals($layaway->remaining());
        $paysOff && $this->pay->amount($slip, $act(), $layaway->id, $layaway->remaining());
        $paysOff && $this->pay->leaves($slip, $act(), $layaway->id, $leaves);
        $this->settle($slip, $act, $way);
    }

    private function cancel(string $label, bool $keep): void
    {
        $layaway = $this->find($label)->load('entries.document.tenders');
        $refund = $layaway->standing()->refund;
        $back = $keep
            ? [TenderKind::DepositHeld->value => $refund]
            : Plan::proposed($refund, AgreementMoney::of($layaway->id, $this->house->currency())->left);
        $this->cancel->handle(
            $layaway->id,
            new CancelOrder(
                $back,
                $keep ? 'found one second-hand' : 'moves away',
                $keep ? '' : '2203',
                approval: new GivenApproval($this->clerk->staff('901'), 'as agreed'),
            ),
            $this->clerk->till(1),
            $this->clerk->staff('201'),
        );
    }

    private function deposit(Customer $customer, CarbonImmutable $day, string $amount, string $for, string $end): void
    {
        $money = Money::of($amount, $this->house->currency());
        $this->events[$this->open($day)->format('Y-m-d')][] = function () use ($customer, $money, $for): void {
            [$slip, $act] = $this->slip("deposit {$customer->id}", 2);
            $this->put->handle($slip, $act(), $customer);
            $this->deposit->take($slip, $act(), $money, $for);
            $this->settle($slip, $act, 0);
        };
        $later = $this->open($day->addDays(9))->format('Y-m-d');

        match ($end) {
            'used', 'part' => ($this->events[$later][] = function () use ($customer, $end): void {
                [$slip, $act] = $this->slip("use {$customer->id}", 1);
                $this->put->handle($slip, $act(), $customer);
                $this->add->handle($slip, $act(), ($end === 'used' ? '6' : '2').' x AD-0207');
                $this->deposit->rest($slip, $act());
                $this->settle($slip, $act, 0);
            }),
            'back' => ($this->events[$later][] = fn (): int => $this->payOut->handle(
                new PayOutOrder(
                    HeldKind::Deposit, $customer, $money, TenderKind::Cash, '', 'found it elsewhere',
                    $this->clerk->key("layaway back {$customer->id}"),
                ),
                $this->clerk->till(1),
                $this->clerk->staff('201'),
            )),
            default => null,
        };
    }

    /** The largest invoice that is open on an account and not late. */
    private function makePlan(int $parts, int $number): void
    {
        $day = ShopTime::today();
        $item = OpenItemRecord::query()
            ->where('kind', 'charge')
            ->where('purpose', 'sale')
            ->where('open', '>', 20000)
            ->where('business_date', '>=', $day->subDays(20)->format('Y-m-d'))
            ->whereNotIn('customer_id', DB::table('plans')->select('customer_id'))
            ->orderByDesc('open')
            ->orderBy('document_id')
            ->first();

        if ($item !== null) {
            $plan = $this->plan->handle(
                new PlanOrder(
                    $item->document_id,
                    new PlanTerms('3', null, $parts, PlanTerms::of($this->house)->rhythm),
                    $day->addMonthNoOverflow(),
                    $this->clerk->key("layaway plan {$number}"),
                ),
                $this->clerk->till(1),
                $this->clerk->staff('301'),
            );
            $this->accounts?->charged($plan->customer_id, $plan->charge);
        }
    }

    /** @return array{string, Closure(int|null=): Act} */
    private function slip(string $name, int $turn): array
    {
        return $this->clerk->slip("layaway {$name}", $turn);
    }

    /** @param  Closure(int|null=): Act  $act */
    private function settle(string $slip, Closure $act, int $way): void
    {
        $due = ReckonedCounter::of($this->fresh($slip, $act), $this->house)->outstanding();
        $changed = match (true) {
            $due->isZero() => $this->fresh($slip, $act),
            $way === 1 => $this->card->handle($slip, $act(), $due),
            $way === 2 => $this->count->cheque($slip, $act(), $due, sprintf('%05d', 3100 + ++$this->cheques)),
            default => $this->count->cash($slip, $act(), $due),
        };

        try {
            $this->post->handle($slip, $act($changed->version));
        } catch (Refused $refused) {
            $this->post->handle(
                $slip,
                $act($refused->rule === 'committed' ? $this->allow($slip, $act) : throw $refused),
            );
        }
    }

    /**
     * What is set aside for others may go: a delivery comes.
     *
     * @param  Closure(int|null=): Act  $act
     * @return int the slip's version then
     */
    private function allow(string $slip, Closure $act): int
    {
        return $this->approve->handle(
            $slip,
            $act()->with(new GivenApproval($this->clerk->staff('301'), 'a delivery comes tomorrow')),
            null,
        )->version;
    }

    /** @param  Closure(int|null=): Act  $act */
    private function fresh(string $slip, Closure $act): Slip
    {
        return $this->desk->read($slip, $act());
    }

    private function find(string $label): Layaway
    {
        return Layaway::query()->with('customer.type.priceLevel')->where('label', $label)->first()
            ?? throw new LogicException("There is no layaway {$label}.");
    }
}
