<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Customers\Personal\CustomerData;
use Elmstone\Customers\Personal\EraseCustomer;
use Elmstone\Support\KeepsMail;
use Elmstone\Support\RoomProvider;

/** Customers and what is agreed with them. */
final class CustomersProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->bind(KeepsMail::class, MailHistory::class);
        $this->app->tag([AttachToCustomer::class], 'attachables');
        $this->app->tag([CustomerData::class], 'personal-data');
        $this->app->when(EraseCustomer::class)->needs('$rooms')->giveTagged('personal-data');
    }
}
