<?php

declare(strict_types=1);

namespace Elmstone\Staff;

/** What can be allowed. Every route asks for one of these. */
enum Ability: string
{
    case Sell = 'sell';
    case Approve = 'approve';
    case Backdate = 'backdate';
    case SeeMargin = 'see-margin';
    case SeeDocuments = 'see-documents';
    case SeeJournal = 'see-journal';
    case SeeItems = 'see-items';
    case EditItems = 'edit-items';
    case SeeCustomers = 'see-customers';
    case EditCustomers = 'edit-customers';
    case EditPrices = 'edit-prices';
    case SeeAccounts = 'see-accounts';
    case SeeAgeing = 'see-ageing';
    case TakeWarningsAway = 'take-warnings-away';
    case MailAnywhere = 'mail-anywhere';
    case SeeMailbox = 'see-mailbox';
    case SeeOtherLocations = 'see-other-locations';
    case TakePayments = 'take-payments';
    case StopAccounts = 'stop-accounts';
    case ManageAccounts = 'manage-accounts';
    case SetLayawayTerms = 'set-layaway-terms';
    case SetSaleTerms = 'set-sale-terms';
    case SeeLayaways = 'see-layaways';
    case EndLayaways = 'end-layaways';
    case MakePlans = 'make-plans';
    case SetHouseTerms = 'set-house-terms';
    case GiveCredit = 'give-credit';
    case WriteOff = 'write-off';
    case CountTill = 'count-till';
    case CloseTill = 'close-till';
    case Bank = 'bank';
    case SeeDay = 'see-day';
    case CloseDay = 'close-day';
    case CloseMonth = 'close-month';
    case Reopen = 'reopen';
    case SeeOrders = 'see-orders';
    case BuyGoods = 'buy-goods';
    case ReceiveGoods = 'receive-goods';
    case TakeWebOrders = 'take-web-orders';
    case SeeCredits = 'see-credits';
    case LookAfterCards = 'look-after-cards';
    case EditCoupons = 'edit-coupons';
    case RunStatements = 'run-statements';
    case Interchange = 'interchange';
    case SeeShares = 'see-shares';
    case SeeLedger = 'see-ledger';
    case PostEntries = 'post-entries';
    case CloseYear = 'close-year';
    case Audit = 'audit';
    case ManageShares = 'manage-shares';
    case ManageStaff = 'manage-staff';
    case SeeAttachments = 'see-attachments';
    case Attach = 'attach';
    case PlayDevices = 'play-devices';
    case EraseCustomers = 'erase-customers';
    case SetHouse = 'set-house';
    case SeeRunning = 'see-running';

    /** @return list<Role> those that may as the program ships */
    public function roles(): array
    {
        return match ($this) {
            self::Sell,
            self::SeeDocuments,
            self::SeeItems,
            self::SeeCustomers,
            self::EditCustomers,
            self::SeeAccounts,
            self::SeeLayaways,
            self::SeeCredits,
            self::SeeOrders,
            self::ReceiveGoods,
            self::CountTill,
            self::SeeShares,
            self::PlayDevices => Role::cases(),
            self::SeeAgeing,
            self::TakeWarningsAway,
            self::MailAnywhere,
            self::SeeOtherLocations,
            self::Approve,
            self::Backdate,
            self::SeeMargin,
            self::TakePayments,
            self::StopAccounts,
            self::SetLayawayTerms,
            self::SetSaleTerms,
            self::EndLayaways,
            self::MakePlans,
            self::GiveCredit,
            self::WriteOff,
            self::CloseTill,
            self::SeeDay,
            self::CloseDay,
            self::BuyGoods,
            self::SeeAttachments,
            self::Attach,
            self::TakeWebOrders,
            self::LookAfterCards => [Role::Supervisor, Role::Office, Role::Owner],
            self::SeeMailbox,
            self::SeeJournal,
            self::EditItems,
            self::EditPrices,
            self::EditCoupons,
            self::ManageAccounts,
            self::RunStatements,
            self::Interchange,
            self::ManageShares,
            self::SeeLedger,
            self::Audit,
            self::PostEntries,
            self::Bank,
            self::CloseMonth,
            self::SetHouseTerms => [Role::Office, Role::Owner],
            self::CloseYear,
            self::Reopen,
            self::EraseCustomers,
            self::SetHouse,
            self::SeeRunning,
            self::ManageStaff => [Role::Owner],
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Sell => 'Sell at the counter',
            self::Approve => 'Approve for others',
            self::Backdate => 'Date a sale into another open day',
            self::SeeMargin => 'See what is earned',
            self::SetSaleTerms => 'Set one sale’s own tax or price level',
            self::SeeDocuments => 'See documents',
            self::SeeJournal => 'See the journal of a document',
            self::SeeItems => 'See items',
            self::EditItems => 'Change items',
            self::SeeCustomers => 'See customers',
            self::EditCustomers => 'Change customers',
            self::EraseCustomers => 'Erase what is personal of customers',
            self::EditPrices => 'Change prices',
            self::SeeAccounts => 'See house accounts',
            self::SeeAgeing => 'See ageing and forecast',
            self::TakeWarningsAway => 'Take warnings off customers',
            self::MailAnywhere => 'Mail papers to any address',
            self::SeeMailbox => 'See the mailbox',
            self::SeeOtherLocations => 'See other locations',
            self::TakePayments => 'Post payments and takings',
            self::StopAccounts => 'Stop and release accounts',
            self::ManageAccounts => 'Open accounts and set their terms',
            self::SetLayawayTerms => 'Set a layaway’s own terms',
            self::SeeLayaways => 'See layaways, plans and deposits',
            self::EndLayaways => 'Cancel layaways and hand money back',
            self::MakePlans => 'Make payment plans',
            self::SetHouseTerms => 'Set the house’s terms',
            self::GiveCredit => 'Give credit without goods',
            self::WriteOff => 'Write off goods',
            self::CountTill => 'Open and count a drawer',
            self::CloseTill => 'Close a drawer',
            self::Bank => 'Safe and bank',
            self::SeeDay => 'See the day and reports',
            self::CloseDay => 'Close days',
            self::CloseMonth => 'Close months',
            self::Reopen => 'Open closed days and months again',
            self::SeeOrders => 'See orders, quotes and purchases',
            self::BuyGoods => 'Buy from suppliers',
            self::ReceiveGoods => 'Receive and transfer goods',
            self::TakeWebOrders => 'Take web orders in',
            self::SeeCredits => 'See gift cards, store credit and coupons',
            self::LookAfterCards => 'Replace and stop gift cards',
            self::EditCoupons => 'Change coupons',
            self::RunStatements => 'Run statements, charges and letters',
            self::Interchange => 'Bring files in and take them out',
            self::SeeShares => 'See who sold what',
            self::SeeLedger => 'See the ledger',
            self::PostEntries => 'Post entries by hand',
            self::CloseYear => 'Close years',
            self::Audit => 'Hand a period to the auditor',
            self::ManageShares => 'Change who sold what, and commission',
            self::ManageStaff => 'People, rights, limits and the security log',
            self::SeeAttachments => 'See attached papers',
            self::Attach => 'Attach papers',
            self::PlayDevices => 'Play the devices, where they are simulated',
            self::SetHouse => 'Settings of the house',
            self::SeeRunning => 'See how the house runs',
        };
    }

    /** Under which word of the menu most of what it opens stands. */
    public function area(): string
    {
        return match ($this) {
            self::Sell,
            self::Approve,
            self::Backdate,
            self::SeeMargin,
            self::SetSaleTerms,
            self::GiveCredit => 'Counter',
            self::SeeDocuments,
            self::SeeJournal,
            self::SeeOtherLocations,
            self::SeeCredits,
            self::LookAfterCards,
            self::EditCoupons,
            self::SeeShares,
            self::SeeLedger,
            self::PostEntries,
            self::CloseYear,
            self::Audit,
            self::ManageShares,
            self::SeeAttachments,
            self::Attach => 'Books',
            self::SeeItems,
            self::EditItems,
            self::EditPrices,
            self::WriteOff,
            self::BuyGoods,
            self::ReceiveGoods => 'Goods',
            self::SeeCustomers,
            self::EditCustomers,
            self::EraseCustomers,
            self::TakeWarningsAway,
            self::MailAnywhere => 'Customers',
            self::SeeAccounts,
            self::SeeAgeing,
            self::TakePayments,
            self::StopAccounts,
            self::ManageAccounts,
            self::RunStatements,
            self::Interchange => 'Accounts',
            self::SeeMailbox,
            self::SetHouseTerms,
            self::ManageStaff,
            self::PlayDevices,
            self::SetHouse,
            self::SeeRunning => 'House',
            self::SetLayawayTerms,
            self::SeeLayaways,
            self::EndLayaways,
            self::MakePlans,
            self::SeeOrders,
            self::TakeWebOrders => 'Promised',
            self::CountTill,
            self::CloseTill,
            self::Bank,
            self::SeeDay,
            self::CloseDay,
            self::CloseMonth,
            self::Reopen => 'Day',
        };
    }
}
