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

    /** @return list<Role> */
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
            self::ManageStaff => [Role::Owner],
        };
    }
}
