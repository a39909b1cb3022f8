<?php

declare(strict_types=1);

namespace Elmstone\Bench\Soak;

use Elmstone\Bench\OpenTills;
use Elmstone\Bench\Stock200k;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Staff;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** The shop that is worked in: the demonstration’s items, some days, house accounts, and so many open tills. */
final class ShopCommand extends Command
{
    protected $signature = 'soak:shop {--tills=10} {--items=0} {--documents=300}';

    protected $description = 'Make the shop that the soak works in';

    private const ACCOUNTS = 20;

    public function handle(Stock200k $shop, SaveCustomer $save, ManageAccount $manage): int
    {
        $shop->build((int) $this->option('items'), (int) $this->option('documents'));
        $place = (int) Location::query()->orderBy('id')->value('id');

        for ($number = 101; $number <= 100 + (int) $this->option('tills'); $number++) {
            $till = Till::query()->create(['location_id' => $place, 'number' => $number, 'name' => "Till {$number}"]);
            OpenTills::open($till, 1);
        }

        $this->accounts($save, $manage);
        // In an hour they hand back what a clerk may in a week.
        DB::table('role_limits')->insert(['role' => 'clerk', 'matter' => LimitMatter::Cash->value]);

        DB::statement('ANALYZE TABLE items, item_words, stock, stock_movements, documents, document_lines');

        return self::SUCCESS;
    }

    private function accounts(SaveCustomer $save, ManageAccount $manage): void
    {
        $by = Staff::query()->where('number', '301')->firstOrFail();

        for ($number = 1; $number <= self::ACCOUNTS; $number++) {
            $name = "Builder number {$number}";
            $draft = new CustomerDraft(['name' => $name, 'kind' => 'firm'], sureItIsNew: true);
            $customer = $save->handle(null, $draft, $by);
            $limit = Money::of('10000000.00', Currency::of('USD'));
            $manage->save($customer->refresh(), new AccountTerms(
                $limit, TermsKind::Net, 30, null, 10, 15, false, StatementKind::OpenItem, StatementWay::Print, true,
            ), 'for the soak', $by, null);
        }
    }
}
