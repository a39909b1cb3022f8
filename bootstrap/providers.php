<?php

declare(strict_types=1);

// The rooms of the house. Where all of them are asked, they are asked in this order, in which their rows are locked.
return [
    Elmstone\Foundation\FoundationProvider::class,
    Elmstone\Shop\ShopProvider::class,
    Elmstone\Staff\StaffProvider::class,
    Elmstone\Attachments\AttachmentsProvider::class,
    Elmstone\Books\BooksProvider::class,
    Elmstone\Catalogue\CatalogueProvider::class,
    Elmstone\Customers\CustomersProvider::class,
    Elmstone\Devices\DevicesProvider::class,
    Elmstone\Cards\CardsProvider::class,
    Elmstone\Paper\PaperProvider::class,
    Elmstone\Receivables\ReceivablesProvider::class,
    Elmstone\Held\HeldProvider::class,
    Elmstone\Rewards\RewardsProvider::class,
    Elmstone\Shares\SharesProvider::class,
    Elmstone\Agreements\AgreementsProvider::class,
    Elmstone\Layaways\LayawaysProvider::class,
    Elmstone\Plans\PlansProvider::class,
    Elmstone\Reminders\RemindersProvider::class,
    Elmstone\Coupons\CouponsProvider::class,
    Elmstone\Stock\StockProvider::class,
    Elmstone\Labels\LabelsProvider::class,
    Elmstone\Purchasing\PurchasingProvider::class,
    Elmstone\Orders\OrdersProvider::class,
    Elmstone\Deliveries\DeliveriesProvider::class,
    Elmstone\Quotes\QuotesProvider::class,
    Elmstone\WebOrders\WebOrdersProvider::class,
    Elmstone\Tills\TillsProvider::class,
    Elmstone\Returns\ReturnsProvider::class,
    Elmstone\Ledger\LedgerProvider::class,
    Elmstone\Interchange\InterchangeProvider::class,
    Elmstone\Counter\CounterProvider::class,
    Elmstone\Reports\ReportsProvider::class,
];
