<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Parts\Back\GiveCredit;
use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Settle\ChooseRefund;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Settle\UseStoreCredit;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Customers\Customer;
use Elmstone\Held\Cards\CardsOwed;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Some hundred random acts with goods that come back, gift cards and store credit, against a model that only adds and
 * subtracts. Whatever is refused must leave everything as it was.
 */
final class ReturnSimulationTest extends FeatureCase
{
    use Charges;

    private const ACTS = 120;

    private Randomizer $random;

    private Customer $customer;

    /** @var array<int, array{pieces: int, paid: int, back: int, given: int, cash: int, cashBack: int}> by invoice */
    private array $sold = [];

    private int $inTill = 0;

    private int $owes = 0;

    private int $credit = 0;

    private int $cards = 0;

    /** @var array<string, array{int, int}> gift cards and store credit owed at the end of each day */
    private array $days = [];

    public function test_random_acts_agree_with_a_plain_model(): void
    {
        $this->random = new Randomizer(new Mt19937(20261124));
        $this->customer = $this->account('100000.00')->load('type.priceLevel');
        foreach (['cash', 'card', 'gift_card', 'store_credit', 'house_account'] as $way) {
            DB::table('role_limits')->insert([
                'role' => 'clerk',
                'matter' => $way,
                'per_document' => null,
                'per_original' => null,
                'per_day' => null,
                'approves' => 0,
            ]);
        }
        $refused = 0;

        for ($i = 0; $i < self::ACTS; $i++) {
            $this->travelTo(
                CarbonImmutable::today()
                    ->subDays(3 - intdiv($i * 4, self::ACTS))
                    ->setTime(12, 0),
            );

            try {
                match ($this->random->getInt(0, 9)) {
                    0, 1 => $this->sells(false),
                    2 => $this->sells(true),
                    3, 4, 5, 6 => $this->bringsBack(),
                    7 => $this->credits(),
                    8 => $this->sellsCard(),
                    9 => $this->spends(),
                };
            } catch (Refused) {
                $refused++;
            }

            $this->assertAgrees($i);
            $this->days[CarbonImmutable::today()->format('Y-m-d')] = [$this->cards, $this->credit];
            $this->travelBack();
        }

        $this->everythingComesBack();

        foreach ($this->days as $day => $owed) {
            $credit = (int) DB::table('held_entries as e')
                ->join('held_accounts as a', 'a.id', '=', 'e.account_id')
                ->where('a.kind', 'store_credit')
                ->where('e.business_date', '<=', $day)
                ->sum('e.amount');
            $cards = CardsOwed::total(CardsOwed::on(CarbonImmutable::parse($day)), Currency::of('USD'));
            $this->assertSame($owed, [$cards->minor, $credit], $day);
        }

        $this->assertGreaterThan(5, $refused);
        $this->assertProves();
        $this->assertDrawersAreRight();
    }

    private function assertAgrees(int $act): void
    {
        $account = static fn (string $name): int => (int) DB::table('journal_lines')
            ->where('account', $name)
            ->sum(DB::raw('debit - credit'));
        $this->assertSame(
            [$this->inTill, $this->owes, -$this->credit, -$this->cards],
            [$account('cash'), $account('receivables'), $account('store_credit'), $account('gift_cards')],
            "act {$act}",
        );

        foreach ($this->sold as $one) {
            $this->assertLessThanOrEqual($one['paid'], $one['given'], "act {$act}");
            $one['back'] < $one['pieces']
                || $this->assertSame($one['paid'], $one['given'], "act {$act}: all of it is back");
        }
    }

    /** At the end all that is left comes back, and then every sale has been given back to the cent. */
    private function everythingComesBack(): void
    {
        foreach ($this->sold as $invoice => $one) {
            if ($one['back'] < $one['pieces']) {
                $this->takesBack($invoice, $one['pieces'] - $one['back'], TenderKind::StoreCredit);
            }
        }

        $this->assertAgrees(self::ACTS);
        $this->days[CarbonImmutable::today()->format('Y-m-d')] = [$this->cards, $this->credit];
    }

    private function sells(bool $charges): void
    {
        $pieces = $this->random->getInt(1, 7);
        $slip = $this->begun();
        app(AddToSlip::class)->handle($slip, $this->act(), "{$pieces} x LH-1141");
        $charges
            ? app(ChargeSlip::class)->rest($slip, $this->act())
            : app(CountTender::class)->cash($slip, $this->act(), $this->usd(100_00));
        $sale = $this->posts($slip);
        $this->sold[$sale->id] = [
            'pieces' => $pieces,
            'paid' => $sale->total->minor,
            'back' => 0,
            'given' => 0,
            'cash' => $charges ? 0 : $sale->total->minor,
            'cashBack' => 0,
        ];
        $charges ? ($this->owes += $sale->total->minor) : ($this->inTill += $sale->total->minor);
    }

    private function bringsBack(): void
    {
        $invoice = $this->someSale();
        $this->takesBack(
            $invoice,
            $this->random->getInt(1, $this->sold[$invoice]['pieces']),
            [TenderKind::Cash, TenderKind::StoreCredit, TenderKind::GiftCard, TenderKind::HouseAccount][
                $this->random->getInt(0, 3)
            ],
        );
    }

    private function takesBack(int $invoice, int $pieces, TenderKind $way): void
    {
        $one = $this->sold[$invoice];
        $slip = $this->begun();
        app(BringBack::class)->lines(
            $slip,
            $this->act(),
            ["{$invoice}:1" => (string) $pieces],
            ReturnReason::NotNeeded,
            null,
            (string) Document::query()->whereKey($invoice)->value('label'),
        );
        $one['cash'] === 0 || app(ChooseRefund::class)->rest($slip, $this->act(), $way);
        $value = -$this->posts($slip)->total->minor;
        $this->sold[$invoice]['back'] += $pieces;
        $this->gives($invoice, $value, $one['cash'] === 0 ? TenderKind::HouseAccount : $way);
    }

    /** A price was wrong. */
    private function credits(): void
    {
        $invoice = $this->someSale();
        $one = $this->sold[$invoice];
        $amount = $this->random->getInt(1, max(1, intdiv($one['paid'] - $one['given'], 2)));
        app(GiveCredit::class)->onInvoice(
            (string) Str::uuid(),
            $this->act()->with(new GivenApproval($this->staff('201'), 'simulated')),
            Document::query()->with('lines')->findOrFail($invoice),
            [1 => $this->usd($amount)],
            ReturnReason::PriceWrong,
            '',
            TenderKind::StoreCredit,
            false,
        );
        $this->gives($invoice, $amount, $one['cash'] === 0 ? TenderKind::HouseAccount : TenderKind::StoreCredit);
    }

    private function gives(int $invoice, int $value, TenderKind $way): void
    {
        $this->sold[$invoice]['given'] += $value;
        match ($way) {
            TenderKind::Cash => ($this->inTill -= $value),
            TenderKind::StoreCredit => ($this->credit += $value),
            TenderKind::GiftCard => ($this->cards += $value),
            default => ($this->owes -= $value),
        };
    }

    private function sellsCard(): void
    {
        $worth = $this->random->getInt(1, 4000);
        $slip = $this->begun();
        $known = $this->random->getInt(0, 1) === 0 ? GiftCard::query()->inRandomOrder('7')->first() : null;
        app(GiftCardsOnSlip::class)->sell(
            $slip,
            $this->act(),
            $this->usd($worth),
            $known === null ? '' : $this->numberOf($known),
        );
        app(CountTender::class)->cash($slip, $this->act(), $this->usd($worth));
        $this->posts($slip);
        $this->cards += $worth;
        $this->inTill += $worth;
    }

    /** With a gift card, store credit, and cash for the rest. */
    private function spends(): void
    {
        $slip = $this->begun();
        app(AddToSlip::class)->handle($slip, $this->act(), $this->random->getInt(1, 9).' x LH-1140');
        $card = GiftCard::query()->whereRelation('account', 'balance', '>', 0)->orderBy('id')->first();
        $this->credit > 0
            && app(UseStoreCredit::class)->handle(
                $slip,
                $this->act(),
                $this->usd($this->random->getInt(1, $this->credit + 50)),
            );
        $card === null || app(GiftCardsOnSlip::class)->use($slip, $this->act(), $this->numberOf($card));
        app(CountTender::class)->cash($slip, $this->act(), $this->usd(100_00));
        $sale = $this->posts($slip);
        $by = static fn (TenderKind $kind): int => (int) $sale->tenders->where('kind', $kind)->sum('amount.minor');
        $this->credit -= $by(TenderKind::StoreCredit);
        $this->cards -= $by(TenderKind::GiftCard);
        $this->inTill += $by(TenderKind::Cash);
    }

    private function someSale(): int
    {
        return $this->sold === []
            ? throw Refused::because('none', 'There is none yet.')
            : array_keys($this->sold)[$this->random->getInt(0, count($this->sold) - 1)];
    }

    private function begun(): string
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->act(), $this->customer);

        return $slip;
    }

    private function posts(string $slip): Document
    {
        return Document::query()
            ->with('tenders')
            ->findOrFail(
                app(PostSale::class)->handle(
                    $slip,
                    $this->act(Slip::query()->where('key', $slip)->firstOrFail()->version),
                )->documentId,
            );
    }

    private function act(?int $version = null): Act
    {
        return new Act(
            (string) Str::uuid(),
            $this->staff('101'),
            Till::query()->with('location.taxProfile.components')->findOrFail(1),
            $version,
        );
    }

    private function usd(int $cents): Money
    {
        return Money::ofMinor($cents, Currency::of('USD'));
    }
}
