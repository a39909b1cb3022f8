<?php

declare(strict_types=1);

use Elmstone\Books\RegisterController;
use Elmstone\Catalogue\ItemController;
use Elmstone\Counter\BackController;
use Elmstone\Counter\CounterController;
use Elmstone\Counter\CreditController;
use Elmstone\Counter\CreditNoteController;
use Elmstone\Counter\HoldController;
use Elmstone\Counter\LayawayRowController;
use Elmstone\Counter\LineController;
use Elmstone\Counter\SettleController;
use Elmstone\Counter\WhoController;
use Elmstone\Coupons\CouponController;
use Elmstone\Customers\CustomerController;
use Elmstone\Customers\CustomerTypeController;
use Elmstone\Deposits\DepositController;
use Elmstone\Devices\DevicesController;
use Elmstone\Devices\StandIns;
use Elmstone\Foundation\Http\Address;
use Elmstone\Foundation\Http\DesignController;
use Elmstone\Foundation\Http\HealthController;
use Elmstone\GiftCards\GiftCardController;
use Elmstone\Interchange\Bank\BankController;
use Elmstone\Interchange\Bank\BankEntryController;
use Elmstone\Interchange\CustomersCsvController;
use Elmstone\Interchange\UblController;
use Elmstone\Layaways\LayawayController;
use Elmstone\Layaways\TermsController;
use Elmstone\Layaways\WorklistController;
use Elmstone\Paper\OutboxController;
use Elmstone\Paper\PaperController;
use Elmstone\Plans\PlanController;
use Elmstone\Receivables\AccountController;
use Elmstone\Receivables\AgeingController;
use Elmstone\Receivables\FinanceChargeController;
use Elmstone\Receivables\PaymentController;
use Elmstone\Receivables\StatementController;
use Elmstone\Receivables\TakenBackController;
use Elmstone\Reminders\ReminderController;
use Elmstone\Returns\RulesController;
use Elmstone\Returns\WriteOffController;
use Elmstone\Staff\LimitsController;
use Elmstone\Staff\SecurityLogController;
use Elmstone\Staff\SignInController;
use Elmstone\Staff\StaffController;
use Elmstone\StoreCredit\StoreCreditController;
use Illuminate\Support\Facades\Route;

foreach (['document', 'layaway', 'plan'] as $label) {
    Route::pattern($label, Address::LABEL);
}

foreach (['staff', 'location', 'policy', 'coupon'] as $key) {
    Route::pattern($key, Address::NUMBER);
}

Route::pattern('item', Address::CODE);

// For whoever watches over the server: the application answers, and so does its database.
Route::get('/up', HealthController::class)->withoutMiddleware('web')->name('up');

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'signIn']);
});

Route::post('/sign-out', [SignInController::class, 'signOut'])->name('sign-out');

Route::middleware(['auth', 'till', 'in-sight'])->group(function (): void {
    Route::post('/lock', [SignInController::class, 'lock'])->name('lock');
    Route::post('/unlock', [SignInController::class, 'unlock'])->name('unlock');
    Route::post('/sign-out/everywhere', [SignInController::class, 'signOutEverywhere'])->name('sign-out.everywhere');

    Route::middleware('can:sell')->group(function (): void {
        Route::redirect('/', '/counter');
        Route::post('/change-person', [SignInController::class, 'change'])->name('change-person');
        Route::get('/counter', [CounterController::class, 'index'])->name('counter');
        Route::get('/counter/new', [CounterController::class, 'fresh'])->name('counter.new');

        Route::prefix('/counter/{slip}')->whereUuid('slip')->name('counter.')->group(function (): void {
            Route::get('/', [CounterController::class, 'show'])->name('show');
            Route::get('/find', [CounterController::class, 'find'])->name('find');
            Route::get('/margin', [CounterController::class, 'margin'])->middleware('can:see-margin')->name('margin');
            Route::post('/add', [CounterController::class, 'add'])->name('add');
            Route::post('/one-off', [CounterController::class, 'oneOff'])->name('one-off');
            Route::post('/clear', [CounterController::class, 'clear'])->name('clear');
            Route::post('/discount', [CounterController::class, 'discount'])->name('discount');
            Route::post('/date', [CounterController::class, 'date'])->name('date');
            Route::post('/pick-up', [CounterController::class, 'pickUp'])->name('pick-up');
            Route::post('/restore', [CounterController::class, 'restore'])->name('restore');
            Route::post('/post', [CounterController::class, 'post'])->name('post');
            Route::post('/lines/{line}', [LineController::class, 'change'])->where(['line' => Address::NUMBER])->name('line');
            Route::post('/lines/{line}/remove', [LineController::class, 'remove'])->where(['line' => Address::NUMBER])->name('line.remove');
            Route::post('/approve', [SettleController::class, 'approve'])->name('approve');
            Route::post('/cash', [SettleController::class, 'cash'])->name('cash');
            Route::post('/cheque', [SettleController::class, 'cheque'])->name('cheque');
            Route::post('/paper', [SettleController::class, 'paper'])->name('paper');
            Route::post('/charge', [SettleController::class, 'charge'])->name('charge');
            Route::post('/on-account', [SettleController::class, 'onAccount'])->name('on-account');
            Route::post('/leave-discount', [SettleController::class, 'leaveDiscount'])->name('leave-discount');
            Route::post('/deposit', [SettleController::class, 'takeDeposit'])->name('deposit');
            Route::post('/deposit/use', [SettleController::class, 'useDeposit'])->name('deposit.use');
            Route::post('/hold', [HoldController::class, 'begin'])->name('hold');
            Route::post('/hold/drop', [HoldController::class, 'drop'])->name('hold.drop');
            Route::post('/hold/terms', [HoldController::class, 'terms'])->name('hold.terms');
            Route::post('/hold/sign', [HoldController::class, 'sign'])->name('hold.sign');
            Route::prefix('/layaways/{layaway}')->name('layaway.')->group(function (): void {
                Route::post('/', [LayawayRowController::class, 'add'])->name('add');
                Route::post('/amount', [LayawayRowController::class, 'amount'])->name('amount');
                Route::post('/leaves', [LayawayRowController::class, 'leaves'])->name('leaves');
                Route::post('/serials/{line}', [LayawayRowController::class, 'serials'])->where(['line' => Address::NUMBER])->name('serials');
                Route::post('/drop', [LayawayRowController::class, 'drop'])->name('drop');
            });
            Route::prefix('/back')->name('back.')->group(function (): void {
                Route::get('/find', [BackController::class, 'find'])->name('find');
                Route::post('/', [BackController::class, 'add'])->name('add');
                Route::post('/blind', [BackController::class, 'blind'])->name('blind');
                Route::post('/one-off', [BackController::class, 'oneOff'])->name('one-off');
                Route::post('/{line}', [BackController::class, 'change'])->where(['line' => Address::NUMBER])->name('line');
                Route::post('/{line}/remove', [BackController::class, 'remove'])->where(['line' => Address::NUMBER])->name('remove');
                Route::post('/{line}/waive', [BackController::class, 'waive'])->where(['line' => Address::NUMBER])->name('waive');
            });
            Route::prefix('/refund')->name('refund.')->group(function (): void {
                Route::post('/', [BackController::class, 'way'])->name('way');
                Route::post('/reference', [BackController::class, 'reference'])->name('reference');
                Route::post('/onto-card', [BackController::class, 'ontoCard'])->name('onto-card');
                Route::post('/credit-to', [BackController::class, 'creditTo'])->name('credit-to');
                Route::post('/other-way', [BackController::class, 'otherWay'])->name('other-way');
                Route::post('/as-it-came', [BackController::class, 'asItCame'])->name('as-it-came');
                Route::post('/terminal', [BackController::class, 'card'])->name('terminal');
            });
            Route::post('/gift-cards', [CreditController::class, 'sell'])->name('gift-card.sell');
            Route::post('/gift-cards/{place}/drop', [CreditController::class, 'dropSold'])->where(['place' => Address::NUMBER])->name('gift-card.drop');
            Route::post('/gift-cards/use', [CreditController::class, 'use'])->name('gift-card.use');
            Route::post('/gift-cards/use/{place}', [CreditController::class, 'amount'])->where(['place' => Address::NUMBER])->name('gift-card.amount');
            Route::post('/store-credit', [CreditController::class, 'storeCredit'])->name('store-credit');
            Route::post('/coupons', [CreditController::class, 'coupon'])->name('coupon');
            Route::post('/coupons/{coupon}/drop', [CreditController::class, 'dropCoupon'])->where(['coupon' => Address::NUMBER])->name('coupon.drop');
            Route::post('/customer', [WhoController::class, 'put'])->name('customer');
            Route::post('/new-customer', [WhoController::class, 'make'])->name('new-customer');
            Route::post('/party', [WhoController::class, 'party'])->name('party');
            Route::post('/card', [SettleController::class, 'card'])->name('card');
            Route::post('/card/{card}/ask', [SettleController::class, 'askAgain'])->where(['card' => Address::NUMBER])->name('card.ask');
            Route::post('/card/{card}/key', [SettleController::class, 'key'])->where(['card' => Address::NUMBER])->name('card.key');
            Route::post('/card/{card}/give-back', [SettleController::class, 'giveBack'])->where(['card' => Address::NUMBER])->name('card.give-back');
        });
    });

    Route::middleware('can:sell')->group(function (): void {
        Route::get('/waiting', [OutboxController::class, 'index'])->name('waiting');
        Route::post('/waiting/{outgoing}/again', [OutboxController::class, 'again'])->where(['outgoing' => Address::NUMBER])->name('waiting.again');
        Route::post('/waiting/{outgoing}/leave', [OutboxController::class, 'leave'])->where(['outgoing' => Address::NUMBER])->name('waiting.leave');
    });

    Route::middleware('can:see-documents')->group(function (): void {
        Route::get('/documents', [RegisterController::class, 'index'])->name('documents');
        Route::get('/documents.csv', [RegisterController::class, 'csv'])->name('documents.csv');
        Route::get('/documents/{document}', [RegisterController::class, 'show'])->name('documents.show');
        Route::post('/documents/{document}/bring-back', [BackController::class, 'begin'])->middleware('can:sell')->name('documents.bring-back');
        Route::post('/documents/{document}/void', [BackController::class, 'void'])->middleware('can:sell')->name('documents.void');
        Route::get('/documents/{document}/receipt', [PaperController::class, 'receipt'])->name('paper.receipt');
        Route::get('/documents/{document}/invoice', [PaperController::class, 'invoice'])->name('paper.invoice');
        Route::get('/documents/{document}/invoice.pdf', [PaperController::class, 'invoicePdf'])->name('paper.invoice-pdf');
        Route::get('/documents/{document}/receipt.pdf', [PaperController::class, 'receiptPdf'])->name('paper.receipt-pdf');
        Route::get('/documents/{document}/invoice.xml', [UblController::class, 'show'])->name('documents.ubl');
        Route::post('/documents/{document}/print', [PaperController::class, 'print'])->name('paper.print');
        Route::post('/documents/{document}/mail', [PaperController::class, 'mail'])->name('paper.mail');
    });

    Route::middleware('can:see-customers')->group(function (): void {
        Route::get('/customers', [CustomerController::class, 'index'])->name('customers');
        Route::get('/customers/new', [CustomerController::class, 'create'])->middleware('can:edit-customers')->name('customers.create');
        Route::get('/customers/{customer}', [CustomerController::class, 'show'])->where(['customer' => Address::NUMBER])->name('customers.show');
        Route::get('/customers/types', [CustomerTypeController::class, 'index'])->middleware('can:edit-prices')->name('customers.types');
        Route::post('/customers/types', [CustomerTypeController::class, 'saveType'])->middleware('can:edit-prices')->name('customers.types.save');
        Route::post('/customers/levels', [CustomerTypeController::class, 'saveLevel'])->middleware('can:edit-prices')->name('customers.levels.save');
        Route::post('/customers/level-prices', [CustomerTypeController::class, 'savePrice'])->middleware('can:edit-prices')->name('customers.level-prices.save');
        Route::get('/customers/{customer}/scan/{version?}', [CustomerController::class, 'scan'])->where(array_fill_keys(['customer', 'version'], Address::NUMBER))->name('customers.scan');
        Route::post('/customers/{customer}/sell', [CounterController::class, 'sellTo'])->where(['customer' => Address::NUMBER])->middleware('can:sell')->name('counter.sell-to');
    });

    Route::middleware('can:edit-customers')->group(function (): void {
        Route::post('/customers', [CustomerController::class, 'store'])->name('customers.store');
        Route::get('/customers/{customer}/change', [CustomerController::class, 'edit'])->where(['customer' => Address::NUMBER])->name('customers.edit');
        Route::post('/customers/{customer}', [CustomerController::class, 'update'])->where(['customer' => Address::NUMBER])->name('customers.update');
        Route::post('/customers/{customer}/notes', [CustomerController::class, 'note'])->where(['customer' => Address::NUMBER])->name('customers.note');
        Route::post('/customers/{customer}/notes/{note}/gone', [CustomerController::class, 'noteGone'])->where(array_fill_keys(['customer', 'note'], Address::NUMBER))->name('customers.note-gone');
    });

    Route::middleware('can:see-layaways')->group(function (): void {
        Route::get('/layaways', [WorklistController::class, 'index'])->name('layaways');
        Route::get('/layaways.csv', [WorklistController::class, 'csv'])->name('layaways.csv');
        Route::get('/layaways/terms', [TermsController::class, 'show'])->middleware('can:set-house-terms')->name('layaways.terms');
        Route::post('/layaways/terms', [TermsController::class, 'save'])->middleware('can:set-house-terms')->name('layaways.terms.save');
        Route::get('/layaways/{layaway}', [LayawayController::class, 'show'])->name('layaways.show');
        Route::get('/layaways/{layaway}/agreement.pdf', [LayawayController::class, 'agreementPdf'])->name('layaways.agreement-pdf');
        Route::post('/layaways/{layaway}/print', [LayawayController::class, 'print'])->name('layaways.print');
        Route::post('/layaways/{layaway}/shelve', [LayawayController::class, 'shelve'])->middleware('can:sell')->name('layaways.shelve');
        Route::post('/layaways/{layaway}/collect', [LayawayController::class, 'collect'])->middleware('can:sell')->name('layaways.collect');
        Route::post('/layaways/{layaway}/pay', [LayawayRowController::class, 'begin'])->middleware('can:sell')->name('layaways.pay');
        Route::post('/layaways/{layaway}/lines', [LayawayController::class, 'lines'])->middleware('can:set-layaway-terms')->name('layaways.lines');
        Route::post('/layaways/{layaway}/extend', [LayawayController::class, 'extend'])->middleware('can:sell')->name('layaways.extend');
        Route::post('/layaways/{layaway}/cancel', [LayawayController::class, 'cancel'])->middleware('can:sell')->name('layaways.cancel');
        Route::get('/deposits', [DepositController::class, 'index'])->name('deposits');
        Route::get('/deposits.csv', [DepositController::class, 'csv'])->name('deposits.csv');
        Route::get('/deposits/{customer}', [DepositController::class, 'show'])->where(['customer' => Address::NUMBER])->name('deposits.show');
        Route::post('/deposits/{customer}/pay-back', [DepositController::class, 'payBack'])->where(['customer' => Address::NUMBER])->middleware('can:end-layaways')->name('deposits.pay-back');
        Route::get('/plans', [PlanController::class, 'index'])->name('plans');
        Route::get('/plans/{plan}', [PlanController::class, 'show'])->name('plans.show');
        Route::get('/documents/{document}/plan', [PlanController::class, 'create'])->middleware('can:make-plans')->name('plans.create');
        Route::post('/documents/{document}/plan', [PlanController::class, 'store'])->middleware('can:make-plans')->name('plans.store');
        Route::post('/plans/{plan}/settle', [PlanController::class, 'settle'])->middleware('can:take-payments')->name('plans.settle');
    });

    Route::middleware('can:see-credits')->group(function (): void {
        Route::get('/gift-cards', [GiftCardController::class, 'index'])->name('gift-cards');
        Route::get('/gift-cards.csv', [GiftCardController::class, 'csv'])->name('gift-cards.csv');
        Route::post('/gift-cards/find', [GiftCardController::class, 'find'])->name('gift-cards.find');
        Route::get('/gift-cards/{card}', [GiftCardController::class, 'show'])->where(['card' => Address::NUMBER])->name('gift-cards.show');
        Route::get('/store-credit', [StoreCreditController::class, 'index'])->name('store-credit');
        Route::get('/store-credit.csv', [StoreCreditController::class, 'csv'])->name('store-credit.csv');
        Route::get('/store-credit/{customer}', [StoreCreditController::class, 'show'])->where(['customer' => Address::NUMBER])->name('store-credit.show');
        Route::get('/coupons', [CouponController::class, 'index'])->name('coupons');
    });

    Route::middleware('can:look-after-cards')->prefix('/gift-cards/{card}')->where(['card' => Address::NUMBER])->name('gift-cards.')->group(function (): void {
        Route::post('/block', [GiftCardController::class, 'block'])->name('block');
        Route::post('/replace', [GiftCardController::class, 'replace'])->name('replace');
        Route::post('/extend', [GiftCardController::class, 'extend'])->name('extend');
    });

    Route::middleware('can:give-credit')->group(function (): void {
        Route::get('/documents/{document}/credit', [CreditNoteController::class, 'onInvoice'])->name('credit-notes.on-invoice');
        Route::post('/documents/{document}/credit', [CreditNoteController::class, 'storeOnInvoice'])->name('credit-notes.store-on-invoice');
        Route::get('/customers/{customer}/credit', [CreditNoteController::class, 'free'])->where(['customer' => Address::NUMBER])->name('credit-notes.free');
        Route::post('/customers/{customer}/credit', [CreditNoteController::class, 'storeFree'])->where(['customer' => Address::NUMBER])->name('credit-notes.store-free');
        Route::post('/store-credit/{customer}/pay-out', [StoreCreditController::class, 'payOut'])->where(['customer' => Address::NUMBER])->name('store-credit.pay-out');
        Route::post('/accounts/{customer}/items/{document}/pay-out', [PaymentController::class, 'payOut'])->where(['customer' => Address::NUMBER])->name('accounts.pay-out');
    });

    Route::middleware('can:edit-coupons')->group(function (): void {
        Route::post('/coupons', [CouponController::class, 'store'])->name('coupons.store');
        Route::post('/coupons/{coupon}', [CouponController::class, 'update'])->where(['coupon' => Address::NUMBER])->name('coupons.update');
    });

    Route::middleware('can:write-off')->group(function (): void {
        Route::get('/write-offs', [WriteOffController::class, 'show'])->name('write-offs');
        Route::post('/write-offs', [WriteOffController::class, 'store'])->name('write-offs.store');
        Route::post('/write-offs/{document}/take-back', [WriteOffController::class, 'takeBack'])->name('write-offs.take-back');
    });

    Route::middleware('can:set-house-terms')->group(function (): void {
        Route::get('/return-rules', [RulesController::class, 'show'])->name('return-rules');
        Route::post('/return-rules', [RulesController::class, 'save'])->name('return-rules.store');
        Route::post('/return-rules/settings', [RulesController::class, 'settings'])->name('return-rules.settings');
        Route::post('/return-rules/{policy}', [RulesController::class, 'save'])->where(['policy' => Address::NUMBER])->name('return-rules.update');
    });

    Route::post('/documents/{document}/reverse', [TakenBackController::class, 'reverse'])->middleware('can:sell')->name('documents.reverse');
    Route::post('/documents/{document}/returned', [TakenBackController::class, 'bounce'])->middleware('can:take-payments')->name('documents.returned');

    Route::middleware('can:take-payments')->group(function (): void {
        Route::get('/reminders', [ReminderController::class, 'index'])->name('reminders');
        Route::post('/reminders', [ReminderController::class, 'send'])->name('reminders.send');
        Route::get('/reminders/{key}.pdf', [ReminderController::class, 'paper'])->name('reminders.paper');
        Route::post('/reminders/{key}/done', [ReminderController::class, 'done'])->name('reminders.done');
    });

    Route::middleware('can:see-accounts')->group(function (): void {
        Route::get('/accounts', [AgeingController::class, 'index'])->middleware('can:see-ageing')->name('accounts');
        Route::get('/accounts/ageing.csv', [AgeingController::class, 'csv'])->middleware('can:see-ageing')->name('accounts.ageing.csv');
        Route::get('/accounts/{customer}', [AccountController::class, 'show'])->where(['customer' => Address::NUMBER])->name('accounts.show');
        Route::get('/accounts/{customer}/account.csv', [AccountController::class, 'csv'])->where(['customer' => Address::NUMBER])->name('accounts.csv');
        Route::get('/accounts/{customer}/statement', [StatementController::class, 'preview'])->where(['customer' => Address::NUMBER])->name('statements.preview');
        Route::get('/accounts/{customer}/statement.pdf', [StatementController::class, 'pdf'])->where(['customer' => Address::NUMBER])->name('statements.pdf');
    });

    Route::middleware('can:take-payments')->group(function (): void {
        Route::get('/accounts/cheques', [PaymentController::class, 'sheet'])->name('accounts.cheques');
        Route::get('/accounts/cheques/find', [PaymentController::class, 'sheetFind'])->name('accounts.cheques.find');
        Route::post('/accounts/cheques', [PaymentController::class, 'sheetStore'])->name('accounts.cheques.store');
        Route::get('/accounts/calls', [AgeingController::class, 'calls'])->name('accounts.calls');

        Route::prefix('/accounts/{customer}')->where(['customer' => Address::NUMBER])->name('accounts.')->group(function (): void {
            Route::get('/payment', [PaymentController::class, 'show'])->name('payment');
            Route::post('/payment/draw', [PaymentController::class, 'draw'])->name('payment.draw');
            Route::post('/payment', [PaymentController::class, 'store'])->name('payment.store');
            Route::get('/items/{document}', [PaymentController::class, 'spread'])->name('spread');
            Route::post('/items/{document}/draw', [PaymentController::class, 'drawSpread'])->name('spread.draw');
            Route::post('/items/{document}', [PaymentController::class, 'storeSpread'])->name('spread.store');
            Route::post('/calls', [AgeingController::class, 'call'])->name('call');
        });
    });

    Route::post('/accounts/{customer}/stop', [AccountController::class, 'stop'])->where(['customer' => Address::NUMBER])->middleware('can:stop-accounts')->name('accounts.stop');

    Route::middleware('can:manage-accounts')->prefix('/accounts/{customer}')->where(['customer' => Address::NUMBER])->group(function (): void {
        Route::get('/terms', [AccountController::class, 'terms'])->name('accounts.terms');
        Route::post('/terms', [AccountController::class, 'save'])->name('accounts.terms.save');
        Route::post('/release', [AccountController::class, 'release'])->name('accounts.release');
        Route::get('/merge', [AccountController::class, 'mergePreview'])->name('customers.merge.preview');
        Route::post('/merge', [AccountController::class, 'merge'])->name('customers.merge');
    });

    Route::middleware('can:run-statements')->group(function (): void {
        Route::get('/statements', [StatementController::class, 'index'])->name('statements');
        Route::post('/statements', [StatementController::class, 'begin'])->name('statements.begin');
        Route::get('/statements/runs/{run}', [StatementController::class, 'show'])->name('statements.run');
        Route::post('/statements/runs/{run}/step', [StatementController::class, 'step'])->name('statements.step');
        Route::post('/statements/runs/{run}/stop', [StatementController::class, 'stop'])->name('statements.stop');
        Route::post('/statements/runs/{run}/go-on', [StatementController::class, 'goOn'])->name('statements.go-on');
        Route::post('/statements/{statement}/mail-again', [StatementController::class, 'mailAgain'])->where(['statement' => Address::NUMBER])->name('statements.mail-again');
        Route::post('/statements/{statement}/count-as-mailed', [StatementController::class, 'countAsMailed'])->where(['statement' => Address::NUMBER])->name('statements.count-as-mailed');
        Route::get('/statements/runs/{run}/print.pdf', [StatementController::class, 'printFile'])->name('statements.print');
        Route::get('/statements/{statement}.pdf', [StatementController::class, 'again'])->where(['statement' => Address::NUMBER])->name('statements.again');
        Route::get('/finance-charges', [FinanceChargeController::class, 'index'])->name('finance-charges');
        Route::post('/finance-charges', [FinanceChargeController::class, 'post'])->name('finance-charges.post');
        Route::post('/finance-charges/settings', [FinanceChargeController::class, 'settings'])->middleware('can:manage-accounts')->name('finance-charges.settings');
    });

    Route::middleware('can:interchange')->group(function (): void {
        Route::get('/customers.csv', [CustomersCsvController::class, 'out'])->name('customers.csv');
        Route::get('/customers/import', [CustomersCsvController::class, 'show'])->name('customers.import');
        Route::post('/customers/import', [CustomersCsvController::class, 'dryRun'])->name('customers.import.dry-run');
        Route::post('/customers/import/bring-in', [CustomersCsvController::class, 'bringIn'])->name('customers.import.bring-in');
        Route::get('/bank', [BankController::class, 'index'])->name('bank');
        Route::post('/bank', [BankController::class, 'takeIn'])->name('bank.take-in');
        Route::get('/bank/{file}', [BankController::class, 'show'])->where(['file' => Address::NUMBER])->name('bank.file');
        Route::post('/bank/{file}/columns', [BankController::class, 'columns'])->where(['file' => Address::NUMBER])->name('bank.columns');
        Route::post('/bank/layouts/{layout}/forget', [BankController::class, 'forget'])->where(['layout' => Address::NUMBER])->name('bank.forget');
        Route::get('/bank/{file}/entries/{entry}', [BankEntryController::class, 'show'])->where(array_fill_keys(['file', 'entry'], Address::NUMBER))->name('bank.entry');
        Route::post('/bank/{file}/entries/{entry}', [BankEntryController::class, 'assign'])->where(array_fill_keys(['file', 'entry'], Address::NUMBER))->name('bank.assign');
        Route::post('/bank/{file}/entries/{entry}/spread', [BankEntryController::class, 'spread'])->where(array_fill_keys(['file', 'entry'], Address::NUMBER))->name('bank.spread');
        Route::post('/bank/{file}/entries/{entry}/aside', [BankEntryController::class, 'aside'])->where(array_fill_keys(['file', 'entry'], Address::NUMBER))->name('bank.aside');
        Route::post('/bank/{file}/entries/{entry}/take-back', [BankEntryController::class, 'takeBack'])->where(array_fill_keys(['file', 'entry'], Address::NUMBER))->name('bank.take-back');
        Route::post('/bank/{file}/post', [BankController::class, 'post'])->where(['file' => Address::NUMBER])->name('bank.post');
    });

    Route::get('/items', [ItemController::class, 'index'])->middleware('can:see-items')->name('items');
    Route::get('/items/new', [ItemController::class, 'create'])->middleware('can:edit-items')->name('items.create');
    Route::post('/items', [ItemController::class, 'store'])->middleware('can:edit-items')->name('items.store');
    Route::get('/items/{item:code}', [ItemController::class, 'show'])->middleware('can:see-items')->name('items.show');
    Route::post('/items/{item:code}', [ItemController::class, 'update'])->middleware('can:edit-items')->name('items.update');

    Route::middleware('can:manage-staff')->group(function (): void {
        Route::get('/staff', [StaffController::class, 'index'])->name('staff');
        Route::post('/staff', [StaffController::class, 'store'])->name('staff.store');
        Route::post('/staff/settings', [StaffController::class, 'settings'])->name('staff.settings');
        Route::get('/security-log', [SecurityLogController::class, 'index'])->name('security-log');
        Route::get('/security-log.csv', [SecurityLogController::class, 'csv'])->name('security-log.csv');
        Route::post('/staff/{staff}', [StaffController::class, 'update'])->name('staff.update');
        Route::get('/limits', [LimitsController::class, 'show'])->name('limits');
        Route::post('/limits/{role}', [LimitsController::class, 'save'])->name('limits.save');
        Route::post('/staff/{staff}/sign-out', [StaffController::class, 'signOut'])->name('staff.sign-out');
        Route::post('/staff/{staff}/unlock', [StaffController::class, 'unlock'])->name('staff.unlock');
    });

    Route::middleware(['can:play-devices', StandIns::class])->group(function (): void {
        Route::get('/devices', [DevicesController::class, 'show'])->name('devices');
        Route::post('/devices/terminal', [DevicesController::class, 'terminal'])->name('devices.terminal');
        Route::post('/devices/printer', [DevicesController::class, 'printer'])->name('devices.printer');
        Route::post('/devices/mailbox', [DevicesController::class, 'mailbox'])->name('devices.mailbox');
        Route::get('/devices/papers/{paper}', [DevicesController::class, 'paper'])->where(['paper' => Address::NUMBER])->name('devices.paper');
        Route::get('/devices/mails/{mail}/attachment', [DevicesController::class, 'attachment'])->where(['mail' => Address::NUMBER])->middleware('can:see-mailbox')->name('devices.attachment');
        Route::get('/devices/display/{till}', [DevicesController::class, 'display'])->where(['till' => Address::NUMBER])->name('devices.display');
        Route::get('/design', DesignController::class)->name('design');
    });
});
