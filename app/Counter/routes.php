<?php

declare(strict_types=1);

use Elmstone\Counter\Look\LookController;
use Elmstone\Counter\Page\BackController;
use Elmstone\Counter\Page\CardController;
use Elmstone\Counter\Page\CollectsLater;
use Elmstone\Counter\Page\CounterController;
use Elmstone\Counter\Page\CreditController;
use Elmstone\Counter\Page\CreditNoteController;
use Elmstone\Counter\Page\EntryController;
use Elmstone\Counter\Page\FindController;
use Elmstone\Counter\Page\HoldController;
use Elmstone\Counter\Page\LayawayRowController;
use Elmstone\Counter\Page\LineController;
use Elmstone\Counter\Page\OrderController;
use Elmstone\Counter\Page\OrderRowController;
use Elmstone\Counter\Page\QuoteController;
use Elmstone\Counter\Page\RefundController;
use Elmstone\Counter\Page\SettleController;
use Elmstone\Counter\Page\SignatureController;
use Elmstone\Counter\Page\SlipController;
use Elmstone\Counter\Page\TillController;
use Elmstone\Counter\Page\WhoController;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:sell', CollectsLater::class])->group(function (): void {
    Route::redirect('/', '/counter');
    Route::get('/counter', [CounterController::class, 'index'])->name('counter');
    Route::get('/counter/new', [CounterController::class, 'fresh'])->name('counter.new');

    Route::prefix('/counter/{slip}')
        ->whereUuid('slip')
        ->name('counter.')
        ->group(function (): void {
            Route::get('/', [CounterController::class, 'show'])->name('show');
            Route::get('/find', [FindController::class, 'show'])->name('find');
            Route::get('/margin', [CounterController::class, 'margin'])
                ->middleware('can:see-margin')
                ->name('margin');
            Route::post('/add', [EntryController::class, 'add'])->name('add');
            Route::post('/note', [SlipController::class, 'note'])->name('note');
            Route::post('/sold-by', [SlipController::class, 'soldBy'])->name('sold-by');
            Route::post('/undo', [SlipController::class, 'undo'])->name('undo');
            Route::post('/known', [EntryController::class, 'known'])->name('known');
            Route::post('/one-off', [EntryController::class, 'oneOff'])->name('one-off');
            Route::post('/terms', [SlipController::class, 'terms'])->name('terms');
            Route::post('/drawer', [TillController::class, 'drawer'])->name('drawer');
            Route::post('/device', [TillController::class, 'device'])->name('device');
            Route::post('/copy', [TillController::class, 'copy'])->name('copy');
            Route::post('/clear', [SlipController::class, 'clear'])->name('clear');
            Route::post('/discount', [SlipController::class, 'discount'])->name('discount');
            Route::post('/date', [SlipController::class, 'date'])->name('date');
            Route::post('/pick-up', [SlipController::class, 'pickUp'])->name('pick-up');
            Route::post('/restore', [SlipController::class, 'restore'])->name('restore');
            Route::post('/post', [SlipController::class, 'post'])->name('post');
            Route::post('/lines/{line}', [LineController::class, 'change'])->name('line');
            Route::post('/lines/{line}/remove', [LineController::class, 'remove'])->name('line.remove');
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
            Route::post('/order', [OrderController::class, 'begin'])->name('order');
            Route::post('/order/drop', [OrderController::class, 'drop'])->name('order.drop');
            Route::post('/order/terms', [OrderController::class, 'terms'])->name('order.terms');
            Route::post('/order/lines/{line}', [OrderController::class, 'line'])->name('order.line');
            Route::post('/order/sign', [OrderController::class, 'sign'])->name('order.sign');
            Route::post('/quote', [QuoteController::class, 'begin'])->name('quote');
            Route::post('/quote/drop', [QuoteController::class, 'drop'])->name('quote.drop');
            Route::post('/quote/terms', [QuoteController::class, 'terms'])->name('quote.terms');
            Route::prefix('/orders/{order}')
                ->name('supply.')
                ->group(function (): void {
                    Route::post('/', [OrderRowController::class, 'add'])->name('add');
                    Route::post('/amount', [OrderRowController::class, 'amount'])->name('amount');
                    Route::post('/lines/{line}', [OrderRowController::class, 'quantity'])->name('quantity');
                    Route::post('/serials/{line}', [OrderRowController::class, 'serials'])->name('serials');
                    Route::post('/drop', [OrderRowController::class, 'drop'])->name('drop');
                });
            Route::prefix('/layaways/{layaway}')
                ->name('layaway.')
                ->group(function (): void {
                    Route::post('/', [LayawayRowController::class, 'add'])->name('add');
                    Route::post('/amount', [LayawayRowController::class, 'amount'])->name('amount');
                    Route::post('/leaves', [LayawayRowController::class, 'leaves'])->name('leaves');
                    Route::post('/serials/{line}', [LayawayRowController::class, 'serials'])->name('serials');
                    Route::post('/drop', [LayawayRowController::class, 'drop'])->name('drop');
                });
            Route::prefix('/back')
                ->name('back.')
                ->group(function (): void {
                    Route::get('/find', [BackController::class, 'find'])->name('find');
                    Route::post('/', [BackController::class, 'add'])->name('add');
                    Route::post('/blind', [BackController::class, 'blind'])->name('blind');
                    Route::post('/one-off', [BackController::class, 'oneOff'])->name('one-off');
                    Route::post('/{line}', [BackController::class, 'change'])->name('line');
                    Route::post('/{line}/remove', [BackController::class, 'remove'])->name('remove');
                    Route::post('/{line}/waive', [BackController::class, 'waive'])->name('waive');
                });
            Route::prefix('/refund')
                ->name('refund.')
                ->group(function (): void {
                    Route::post('/', [RefundController::class, 'way'])->name('way');
                    Route::post('/reference', [RefundController::class, 'reference'])->name('reference');
                    Route::post('/onto-card', [RefundController::class, 'ontoCard'])->name('onto-card');
                    Route::post('/credit-to', [RefundController::class, 'creditTo'])->name('credit-to');
                    Route::post('/other-way', [RefundController::class, 'otherWay'])->name('other-way');
                    Route::post('/as-it-came', [RefundController::class, 'asItCame'])->name('as-it-came');
                    Route::post('/terminal', [RefundController::class, 'card'])->name('terminal');
                });
            Route::post('/gift-cards', [CreditController::class, 'sell'])->name('gift-card.sell');
            Route::post('/gift-cards/{place}/drop', [CreditController::class, 'dropSold'])->name('gift-card.drop');
            Route::post('/gift-cards/use', [CreditController::class, 'use'])->name('gift-card.use');
            Route::post('/gift-cards/use/{place}', [CreditController::class, 'amount'])->name('gift-card.amount');
            Route::post('/store-credit', [CreditController::class, 'storeCredit'])->name('store-credit');
            Route::post('/coupons', [CreditController::class, 'coupon'])->name('coupon');
            Route::post('/coupons/{coupon}/drop', [CreditController::class, 'dropCoupon'])->name('coupon.drop');
            Route::get('/look/customer', [LookController::class, 'customer'])->name('look.customer');
            Route::get('/look', [LookController::class, 'row'])->name('look');
            Route::get('/look/terms', [LookController::class, 'terms'])->name('look.terms');
            Route::get('/look/coupons', [LookController::class, 'coupons'])->name('look.coupons');
            Route::post('/invoices/{invoice}', [WhoController::class, 'payInvoice'])->name('pay-invoice');
            Route::post('/customer', [WhoController::class, 'put'])->name('customer');
            Route::post('/new-customer', [WhoController::class, 'make'])->name('new-customer');
            Route::post('/party', [WhoController::class, 'party'])->name('party');
            Route::post('/card', [CardController::class, 'card'])->name('card');
            Route::prefix('/signature')
                ->name('signature.')
                ->group(function (): void {
                    Route::post('/', [SignatureController::class, 'here'])->name('here');
                    Route::post('/paper', [SignatureController::class, 'paper'])->name('paper');
                    Route::post('/ask', [SignatureController::class, 'ask'])->name('ask');
                    Route::get('/look', [SignatureController::class, 'look'])->name('look');
                    Route::post('/take', [SignatureController::class, 'take'])->name('take');
                });
            Route::post('/card-on-file', [CardController::class, 'onFile'])->name('card-on-file');
            Route::post('/keep-card', [CardController::class, 'keepCard'])->name('keep-card');
            Route::post('/card/{card}/confirm', [CardController::class, 'confirm'])->name('card.confirm');
            Route::post('/card/{card}/ask', [CardController::class, 'askAgain'])->name('card.ask');
            Route::post('/card/{card}/key', [CardController::class, 'key'])->name('card.key');
            Route::post('/card/{card}/give-back', [CardController::class, 'giveBack'])->name('card.give-back');
        });
});

Route::middleware('can:see-documents')->group(function (): void {
    Route::post('/documents/{document}/bring-back', [BackController::class, 'begin'])
        ->middleware('can:sell')
        ->name('documents.bring-back');
    Route::post('/documents/{document}/void', [BackController::class, 'void'])
        ->middleware('can:sell')
        ->name('documents.void');
});

Route::middleware('can:see-customers')->group(function (): void {
    Route::post('/customers/{customer}/sell', [CounterController::class, 'sellTo'])
        ->middleware('can:sell')
        ->name('counter.sell-to');
});

Route::middleware('can:see-layaways')->group(function (): void {
    Route::post('/layaways/{layaway}/pay', [LayawayRowController::class, 'begin'])
        ->middleware('can:sell')
        ->name('layaways.pay');
});

Route::middleware('can:see-orders')->group(function (): void {
    Route::post('/orders/{order}/collect', [OrderRowController::class, 'begin'])
        ->middleware('can:sell')
        ->name('orders.collect');
    Route::post('/quotes/{quote}/take-up', [QuoteController::class, 'takeUp'])
        ->middleware('can:sell')
        ->name('quotes.take-up');
    Route::post('/quotes/{quote}/revise', [QuoteController::class, 'revise'])
        ->middleware('can:sell')
        ->name('quotes.revise');
});

Route::middleware('can:give-credit')->group(function (): void {
    Route::get('/documents/{document}/credit', [CreditNoteController::class, 'onInvoice'])->name(
        'credit-notes.on-invoice',
    );
    Route::post('/documents/{document}/credit', [CreditNoteController::class, 'storeOnInvoice'])->name(
        'credit-notes.store-on-invoice',
    );
    Route::get('/customers/{customer}/credit', [CreditNoteController::class, 'free'])->name('credit-notes.free');
    Route::post('/customers/{customer}/credit', [CreditNoteController::class, 'storeFree'])->name(
        'credit-notes.store-free',
    );
});

Route::middleware('can:manage-staff')->group(function (): void {
    Route::post('/tills/{till}/training', [TillController::class, 'training'])->name('tills.training');
});
