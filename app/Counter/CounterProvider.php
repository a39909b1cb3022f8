<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Counter\Page\InSight;
use Elmstone\Counter\Page\StillOpenHere;
use Elmstone\Counter\Parts\Money\AccountPayment;
use Elmstone\Counter\Parts\Money\DepositTaken;
use Elmstone\Counter\Parts\Money\GiftCardsSold;
use Elmstone\Counter\Parts\Money\LayawayDeposit;
use Elmstone\Counter\Parts\Money\LayawayPayments;
use Elmstone\Counter\Parts\Money\OrderDeposit;
use Elmstone\Counter\Parts\Money\OrderPayments;
use Elmstone\Counter\Parts\MoneyIn;
use Elmstone\Counter\Parts\SlipCredits;
use Elmstone\Counter\Post\FinishSale;
use Elmstone\Counter\Post\MoveCredits;
use Elmstone\Counter\Post\NothingPromised;
use Elmstone\Counter\Post\PayByLink;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Post\Steps\CardMoneyPosted;
use Elmstone\Counter\Post\Steps\GiveQuotes;
use Elmstone\Counter\Post\Steps\HandOver;
use Elmstone\Counter\Post\Steps\KeepApprovals;
use Elmstone\Counter\Post\Steps\KeepSignature;
use Elmstone\Counter\Post\Steps\PostCredit;
use Elmstone\Counter\Post\Steps\QuoteTakenUp;
use Elmstone\Counter\Post\Steps\SellGoods;
use Elmstone\Counter\Post\Steps\SetAside;
use Elmstone\Counter\Post\Steps\SpendCoupons;
use Elmstone\Counter\Post\Steps\SupplyOrders;
use Elmstone\Counter\Post\Steps\TakeMoneyIn;
use Elmstone\Counter\Post\Steps\TakeOrders;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\PayLinks\PaysByLink;
use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\Route;

/** The counter page. */
final class CounterProvider extends RoomProvider
{
    /** What a slip takes money in for besides what is sold, in the order in which it is said. */
    private const MONEY = [
        GiftCardsSold::class,
        AccountPayment::class,
        DepositTaken::class,
        LayawayDeposit::class,
        LayawayPayments::class,
        OrderDeposit::class,
        OrderPayments::class,
    ];

    private const PANEL = 'x-data="panel" @flip-panel.window="flip" @keydown.escape="escape"';

    /** How a slip is posted. What is set aside comes before the first number, approvals after the documents. */
    private const STEPS = [
        SetAside::class,
        TakeOrders::class,
        GiveQuotes::class,
        SellGoods::class,
        TakeMoneyIn::class,
        PostCredit::class,
        SpendCoupons::class,
        HandOver::class,
        SupplyOrders::class,
        KeepApprovals::class,
        CardMoneyPosted::class,
        KeepSignature::class,
        QuoteTakenUp::class,
    ];

    public function register(): void
    {
        $this->shared(SlipDesk::class, SlipParty::class, SlipCredits::class);
        $this->shared(MoveCredits::class, NothingPromised::class);
        $this->app->bind(PaysByLink::class, PayByLink::class);
        $this->app->tag([FinishSale::class], 'senders');
        $this->app->tag(self::MONEY, 'slip.money');
        $this->app->tag(self::STEPS, 'slip.steps');
        $this->app->scoped(MoneyIn::class);
        $this->app->tag([StillOpenHere::class], 'still-open');
        $this->app->when(MoneyIn::class)->needs('$parts')->giveTagged('slip.money');
        $this->app->when(PostSale::class)->needs('$steps')->giveTagged('slip.steps');
    }

    public function boot(): void
    {
        Route::aliasMiddleware('in-sight', InSight::class);
        // A part of the page that a key or a button opens and Escape closes.
        Blade::directive('panel', static fn (): string => self::PANEL);
        parent::boot();
    }
}
