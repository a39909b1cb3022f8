<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\LineChange;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Parts\TakeDeposit;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Held\PayOut\PayOutHeld;
use Elmstone\Held\PayOut\PayOutOrder;
use Elmstone\Layaways\CancelLayaway;
use Elmstone\Layaways\CancelOrder;
use Elmstone\Layaways\ChangeLayaway;
use Elmstone\Layaways\CompleteLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Some hundred random acts on layaways and deposits, against a model that only adds and subtracts. Whatever is refused
 * must leave everything as it was.
 */
final class LayawaySimulationTest extends FeatureCase
{
    use Layaways;

    private const ACTS = 140;

    /** Cents of one LH-1141 with its tax. */
    private const PIECE = 484;

    private Randomizer $random;

    /** @var array<int, array{pieces: int, held: int, state: string}> by layaway */
    private array $model = [];

    private int $deposits = 0;

    private int $inTill = 0;

    public function test_random_acts_agree_with_a_plain_model(): void
    {
        $this->random = new Randomizer(new Mt19937(20261123));
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142'])->load('type.priceLevel');
        $refused = 0;

        for ($i = 0; $i < self::ACTS; $i++) {
            try {
                match ($this->random->getInt(0, 9)) {
                    0, 1 => $this->makes(),
                    2, 3, 4 => $this->pays(),
                    5 => $this->changes(),
                    6 => $this->cancels(),
                    7 => $this->collects(),
                    8 => $this->deposits(),
                    9 => $this->paysBack(),
                };
            } catch (Refused) {
                $refused++;
            }

            $this->assertAgrees($i);
        }

        $this->assertGreaterThan(8, $refused);
        $this->assertGreaterThan(self::ACTS / 3, DB::table('documents')->count());
        $this->assertProves();
    }

    private function assertAgrees(int $act): void
    {
        $stands = Layaway::query()
            ->with('allLines')
            ->orderBy('id')
            ->get()
            ->mapWithKeys(
                static fn (Layaway $layaway): array => [
                    $layaway->id => [
                        'pieces' => (int) $layaway->lines()->sum(
                            static fn (AgreedLine $line): int => $line->quantity->value->toInt(),
                        ),
                        'held' => $layaway->held()->minor,
                        'state' => $layaway->state->value,
                    ],
                ],
            )
            ->all();
        $open = array_filter(
            $this->model,
            static fn (array $one): bool => in_array($one['state'], ['running', 'ready'], true),
        );
        $cash = (int) DB::table('journal_lines')->where('account', 'cash')->sum(DB::raw('debit - credit'));

        $this->assertSame($this->model, $stands, "act {$act}");
        $held = KeptFor::ofCustomer(HeldKind::Deposit, $this->customer->id)->total();
        $this->assertSame($this->deposits, $held->minor, "act {$act}");
        $this->assertSame($this->inTill, $cash, "act {$act}");
        $this->assertSame(
            array_sum(array_column($open, 'pieces')),
            (int) DB::table('stock')->sum('committed'),
            "act {$act}",
        );
    }

    private function makes(): void
    {
        $pieces = $this->random->getInt(1, 6);
        $deposit = $this->random->getInt(1, $pieces * self::PIECE + 200);
        $slip = $this->begun();
        app(AddToSlip::class)->handle($slip, $this->act(), "{$pieces} x LH-1141");
        app(HoldSlip::class)->begin($slip, $this->act(), $this->usd($deposit));
        app(ApproveNeeds::class)->handle(
            $slip,
            $this->act()->with(new GivenApproval($this->staff('201'), 'simulated')),
            'hold',
        );
        $this->posts($slip, $deposit);
        $id = (int) Layaway::query()->max('id');
        $this->model[$id] = [
            'pieces' => $pieces,
            'held' => $deposit,
            'state' => $deposit === $pieces * self::PIECE ? 'ready' : 'running',
        ];
    }

    private function pays(): void
    {
        $layaway = $this->someOne();
        $left = $layaway->remaining()->minor;
        $amount = $this->random->getInt(0, 2) === 0 ? $left : $this->random->getInt(1, $left + 100);
        $leaves = $this->random->getInt(0, 1) === 1;
        $slip = $this->begun();
        app(PayLayaway::class)->add($slip, $this->act(), $layaway);
        app(PayLayaway::class)->amount($slip, $this->act(), $layaway->id, $this->usd($amount));
        app(PayLayaway::class)->leaves($slip, $this->act(), $layaway->id, $amount === $left ? $leaves : null);
        app(ApproveNeeds::class)->handle(
            $slip,
            $this->act()->with(new GivenApproval($this->staff('201'), 'simulated')),
            "layaway.{$layaway->id}",
        );
        $this->posts($slip, $amount);
        $this->model[$layaway->id]['held'] += $amount;
        $this->model[$layaway->id]['state'] = match (true) {
            $amount < $left => 'running',
            $leaves => 'completed',
            default => 'ready',
        };
        $amount === $left && $leaves && ($this->model[$layaway->id]['held'] = 0);
    }

    private function changes(): void
    {
        $layaway = $this->someOne();
        $pieces = $this->random->getInt(1, 7);
        app(ChangeLayaway::class)->lines(
            $layaway->id,
            $layaway->version,
            [LineChange::quantity(1, Quantity::of((string) $pieces))],
            $this->till(),
            $this->staff('201'),
        );
        $over = max(0, $layaway->held()->minor - $pieces * self::PIECE);
        $this->deposits += $over;
        $held = $layaway->held()->minor - $over;
        $this->model[$layaway->id] = [
            'pieces' => $pieces,
            'held' => $held,
            'state' => $held === $pieces * self::PIECE ? 'ready' : 'running',
        ];
    }

    private function cancels(): void
    {
        $layaway = $this->someOne()->load('entries.document.tenders');
        $refund = $layaway->held()->minor - min($layaway->held()->minor, 1000);
        $kept = $this->random->getInt(0, $refund);
        $back = array_filter(
            [TenderKind::Cash->value => $refund - $kept, TenderKind::DepositHeld->value => $kept],
            static fn (int $amount): bool => $amount > 0,
        );
        app(CancelLayaway::class)->handle(
            $layaway->id,
            new CancelOrder(
                array_map($this->usd(...), $back),
                'simulated',
                approval: new GivenApproval($this->staff('301'), 'simulated'),
            ),
            $this->till(),
            $this->staff('201'),
        );
        $this->inTill -= $refund - $kept;
        $this->deposits += $kept;
        $this->model[$layaway->id] = [
            'pieces' => $this->model[$layaway->id]['pieces'],
            'held' => 0,
            'state' => 'cancelled',
        ];
    }

    private function collects(): void
    {
        $layaway = $this->someOne();
        app(CompleteLayaway::class)->handle($layaway->id, $this->till(), $this->staff('101'));
        $this->model[$layaway->id]['held'] = 0;
        $this->model[$layaway->id]['state'] = 'completed';
    }

    private function deposits(): void
    {
        $amount = $this->random->getInt(1, 3000);
        $slip = $this->begun();
        app(TakeDeposit::class)->take(
            $slip,
            $this->act(),
            $this->usd($amount),
            $this->random->getInt(0, 1) === 0 ? '' : '2027',
        );
        $this->posts($slip, $amount);
        $this->deposits += $amount;
    }

    private function paysBack(): void
    {
        $amount = $this->random->getInt(1, $this->deposits + 300);
        app(PayOutHeld::class)->handle(
            new PayOutOrder(
                HeldKind::Deposit,
                $this->customer,
                $this->usd($amount),
                TenderKind::Cash,
                '',
                'simulated',
                (string) Str::uuid(),
            ),
            $this->till(),
            $this->staff('201'),
        );
        $this->deposits -= $amount;
        $this->inTill -= $amount;
    }

    /** Any that was ever made: most acts on those that have ended are refused. */
    private function someOne(): Layaway
    {
        $open = array_keys(array_filter($this->model, static fn (array $one): bool => $one['state'] === 'running'));
        $from = $open === [] || $this->random->getInt(0, 3) === 0 ? array_keys($this->model) : $open;

        return $from === []
            ? throw Refused::because('none', 'There is none yet.')
            : Layaway::query()
                ->with('customer.type.priceLevel')
                ->findOrFail($from[$this->random->getInt(0, count($from) - 1)]);
    }

    private function begun(): string
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->act(), $this->customer);

        return $slip;
    }

    private function posts(string $slip, int $cents): void
    {
        app(CountTender::class)->cash($slip, $this->act(), $this->usd($cents));
        app(PostSale::class)->handle($slip, $this->act(Slip::query()->where('key', $slip)->firstOrFail()->version));
        $this->inTill += $cents;
    }

    private function act(?int $version = null): Act
    {
        return new Act((string) Str::uuid(), $this->staff('101'), $this->till(), $version);
    }

    private function till(): Till
    {
        return Till::query()->with('location.taxProfile.components')->findOrFail(1);
    }

    private function usd(int $cents): Money
    {
        return Money::ofMinor($cents, Currency::of('USD'));
    }
}
