<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Providers;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Chain\ProveChain;
use Elmstone\Books\Chain\Seal;
use Elmstone\Books\Prove;
use Elmstone\Books\ProveApprovals;
use Elmstone\Cards\ProveCards;
use Elmstone\Catalogue\CostChanged;
use Elmstone\Counter\FinishSale;
use Elmstone\Coupons\ProveCoupons;
use Elmstone\Deposits\DepositMoney;
use Elmstone\Deposits\DepositOnPaper;
use Elmstone\Deposits\MergeDeposits;
use Elmstone\Deposits\ProveDeposits;
use Elmstone\Deposits\TakeBackDeposit;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\CashDrawer;
use Elmstone\Devices\CustomerDisplay;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\NotConnected;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Devices\Simulated\SimulatedDisplay;
use Elmstone\Devices\Simulated\SimulatedDrawer;
use Elmstone\Devices\Simulated\SimulatedMailbox;
use Elmstone\Devices\Simulated\SimulatedPrinter;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Foundation\Asked;
use Elmstone\Foundation\Database\AskedOnce;
use Elmstone\Foundation\Database\HouseConnection;
use Elmstone\Foundation\Show;
use Elmstone\GiftCards\GiftCardOnPaper;
use Elmstone\GiftCards\PayOntoCards;
use Elmstone\GiftCards\ProveGiftCards;
use Elmstone\GiftCards\TakeBackCards;
use Elmstone\Layaways\LayawayOnPaper;
use Elmstone\Layaways\LayawayTrace;
use Elmstone\Layaways\MergeLayaways;
use Elmstone\Layaways\ProveLayaways;
use Elmstone\Layaways\TakeBackPayment;
use Elmstone\MoneyOut\OntoCards;
use Elmstone\Paper\AskedPaper;
use Elmstone\Paper\HandOver;
use Elmstone\Paper\IssuePaper;
use Elmstone\Paper\Outbox;
use Elmstone\Paper\PaperData;
use Elmstone\Plans\MergePlans;
use Elmstone\Plans\ProvePlans;
use Elmstone\Receivables\MergeCustomers;
use Elmstone\Receivables\ProveReceivables;
use Elmstone\Receivables\ReturnPayment;
use Elmstone\Receivables\ReverseReceipt;
use Elmstone\Returns\Policies;
use Elmstone\Returns\ProveReturns;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Limits;
use Elmstone\Staff\Staff;
use Elmstone\Stock\ProveInventory;
use Elmstone\Stock\RevalueItem;
use Elmstone\StoreCredit\MergeStoreCredit;
use Elmstone\StoreCredit\ProveStoreCredit;
use Elmstone\StoreCredit\StoreCreditOnPaper;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;
use PDO;

/** Wires the house: devices, abilities, and what every page may use. */
final class HouseProvider extends ServiceProvider
{
    /** @var array<class-string, class-string> */
    public array $bindings = [
        CostChanged::class => RevalueItem::class,
        CardTerminal::class => SimulatedTerminal::class,
        CashDrawer::class => SimulatedDrawer::class,
        CustomerDisplay::class => SimulatedDisplay::class,
        Mailbox::class => SimulatedMailbox::class,
        ReceiptPrinter::class => SimulatedPrinter::class,
    ];

    public function register(): void
    {
        Connection::resolverFor('mariadb', static fn (Closure|PDO $pdo, string $database, string $prefix, array $config): HouseConnection => new HouseConnection($pdo, $database, $prefix, $config));
        $this->app->singleton(Seal::class);
        config('house.stand_ins') === true || array_map(fn (string $device) => $this->app->bind($device, NotConnected::class), [CardTerminal::class, CashDrawer::class, CustomerDisplay::class, Mailbox::class, ReceiptPrinter::class]);
        $this->app->scoped(House::class);
        $this->app->scoped(Policies::class);
        $this->app->scoped(Limits::class);
        $this->app->scoped(OntoCards::class, PayOntoCards::class);
        $this->app->tag([ProveReceivables::class, ProveDeposits::class, ProveLayaways::class, ProvePlans::class, ProveStoreCredit::class, ProveGiftCards::class, ProveCoupons::class, ProveReturns::class, ProveCards::class, ProveApprovals::class, ProveInventory::class, ProveChain::class], 'proofs');
        $this->app->tag([FinishSale::class, HandOver::class, AskedPaper::class], 'senders');
        $this->app->singleton(Outbox::class);
        $this->app->singleton(Asked::class);
        $this->app->when(Outbox::class)->needs('$senders')->giveTagged('senders');
        $this->app->tag([GiftCardOnPaper::class], 'forgetful');
        $this->app->when(IssuePaper::class)->needs('$forgetful')->giveTagged('forgetful');
        $this->app->tag([LayawayTrace::class], 'traces');
        $this->app->when(DepositMoney::class)->needs('$traces')->giveTagged('traces');
        $this->app->tag([LayawayOnPaper::class, DepositOnPaper::class, StoreCreditOnPaper::class, GiftCardOnPaper::class], 'papers');
        $this->app->tag([MergeDeposits::class, MergeStoreCredit::class, MergeLayaways::class, MergePlans::class], 'merges');
        $this->app->tag([TakeBackDeposit::class, TakeBackCards::class, TakeBackPayment::class], 'taken-back');
        $this->app->when(ReverseReceipt::class)->needs('$others')->giveTagged('taken-back');
        $this->app->when(ReturnPayment::class)->needs('$others')->giveTagged('taken-back');
        $this->app->when(PaperData::class)->needs('$others')->giveTagged('papers');
        $this->app->when(MergeCustomers::class)->needs('$others')->giveTagged('merges');
        $this->app->when(Prove::class)->needs('$others')->giveTagged('proofs');
    }

    /** A page: longer than a lock is waited for, no answer is. */
    public function neverWaitsLong(): void
    {
        $wait = config('database.connections.mariadb.wait');
        ini_set('mysqlnd.net_read_timeout', (string) (1 + (is_int($wait) ? $wait : 5)));
        $this->app->singleton(LostConnectionDetector::class, AskedOnce::class);
    }

    public function boot(): void
    {
        $this->app->terminating(static fn () => app(Outbox::class)->sendWritten());
        // A database that hangs is waited for no longer than a lock, and a little.
        $this->app->runningInConsole() || $this->neverWaitsLong();
        Model::shouldBeStrict();
        Date::use(CarbonImmutable::class);
        Paginator::defaultSimpleView('design.pages');
        Blade::stringable(static fn (CarbonImmutable $date): string => Show::date($date));

        foreach (Ability::cases() as $ability) {
            Gate::define($ability->value, static fn (Staff $staff): bool => $staff->role->may($ability));
        }
    }
}
