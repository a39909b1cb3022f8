<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Elmstone\Receivables\Accounts\AccountData;
use Elmstone\Receivables\Accounts\MergeCustomers;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\PayingHabits;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\ProveReceivables;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Receivables\Payments\ReverseReceipt;
use Elmstone\Support\RoomProvider;

/** House accounts, open items, payments, statements. */
final class ReceivablesProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(Ledger::class, PaymentDraft::class);
        $this->app->tag([AccountData::class], 'personal-data');
        $this->app->when(ReverseReceipt::class)->needs('$others')->giveTagged('taken-back');
        $this->app->when(ReturnPayment::class)->needs('$others')->giveTagged('taken-back');
        $this->app->when(MergeCustomers::class)->needs('$others')->giveTagged('merges');
        $this->app->tag([ProveReceivables::class, Ageing\ProveAges::class], 'proofs');
        $this->app->tag([Statements\StatementWork::class], 'works');
        $this->app->tag([Tables\CustomersTable::class, Tables\OpenItemsTable::class], 'tables');
        $this->app->tag([Ageing\DueCalls::class], 'due');
        $this->app->tag([PayingHabits::class], 'payers');
        $this->app->tag([Opening\FindByOldNumber::class], 'finds');
    }
}
