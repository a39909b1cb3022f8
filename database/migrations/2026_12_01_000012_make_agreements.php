<?php

declare(strict_types=1);

use Elmstone\Books\LineColumns;
use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is promised: agreements of every kind, their lines and changes; the instalments of layaways. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('agreements', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 10)->comment('layaway, order, quote');
            $table->string('label', 20)->charset('ascii')->nullable()->comment('the letters of its kind and the id');
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->comment('of the slip it was made from');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('customer_id')->nullable()->comment('null: a quote for nobody we know')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            LineColumns::seller($table);
            $table->string('state', 10)->default('running');
            $table->date('made_on');
            $table->date('expires_on')->nullable();
            $table->unsignedSmallInteger('grace_days')->nullable();
            $table->date('lapses_on')->nullable()->comment('expires_on and the days of grace');
            $table->string('rhythm', 10)->nullable();
            $table->json('terms')->nullable()->comment('portions as agreed');
            $table->json('tax')->comment('profile, rounding and exemption as agreed');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->string('buyer', 120)->default('');
            $table->bigInteger('total');
            $table->foreignId('account_id')->nullable()->unique()->constrained('held_accounts')
                ->comment('paid and still here; null: nothing is paid on it');
            $table->unsignedSmallInteger('revision')->default(1)->comment('of its lines and its schedule');
            $table->bigInteger('paid_before')->default(0)->comment('what was paid before this schedule was made');
            $table->date('next_due')->nullable();
            $table->bigInteger('next_open')->default(0);
            $table->date('behind_from')->nullable()->comment('the first day on which it is behind');
            $table->date('paid_on')->nullable()->comment('in full');
            $table->string('shelf', 40)->default('');
            $table->mediumText('signature')->nullable()->comment('strokes of the pen, as a path');
            $table->string('signed_by', 120)->default('');
            $table->dateTime('signed_at', 3)->nullable();
            $table->foreignId('document_id')->nullable()->constrained();
            $table->date('ended_on')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamp('made_at', 3)->useCurrent();
            // Of orders: where they came from, when they are wanted, how they are met.
            $table->string('source', 10)->nullable()->comment('counter, telephone, web, special');
            $table->boolean('is_charged')->default(false)->comment('what is supplied goes to the house account');
            $table->date('wanted_on')->nullable();
            $table->string('wanted_when', 10)->default('')->comment('morning, afternoon; empty: any time');
            $table->bigInteger('least_deposit')->default(0);
            $table->bigInteger('open_total')->default(0)->comment('what is not supplied yet, tax in it');
            $table->string('deliver_to', 300)->default('')->comment('address, as typed');
            $table->string('note', 255)->default('');
            $table->string('their_number', 60)->default('')->comment('of an order that came from outside');
            $table->string('ended_why', 200)->default('');
            // Of quotes: how long they hold, when somebody asks after them.
            $table->date('valid_until')->nullable();
            $table->date('follow_up_on')->nullable();
            $table->string('party', 120)->default('')->comment('who it is for, where nobody we know');
            $table->index(['customer_id', 'kind', 'is_charged', 'ended_on'], 'agreements_charged');
            $table->date('wanted_by')
                ->storedAs("COALESCE(wanted_on, '9999-12-31')")
                ->comment('those that nobody asked for on a day come last');
            $table->index(['kind', 'state', 'wanted_by', 'id']);
            $table->index(['kind', 'state', 'follow_up_on', 'id']);
            $table->index(['kind', 'state', 'valid_until', 'id']);
            $table->index(['customer_id', 'state']);
            $table->unique('key');
            $table->unique('label');
            $table->index(['kind', 'state', 'behind_from', 'id']);
            $table->index(['kind', 'state', 'lapses_on', 'id']);
            $table->index(['kind', 'state', 'next_due', 'id']);
            $table->index(['kind', 'state', 'paid_on', 'id']);
        });
        Rows::check(
            'agreements',
            'agreement_state',
            "(kind <> 'layaway' or state in ('running', 'ready', 'completed', 'cancelled')) and (kind <> 'order' or "
                ."state in ('open', 'supplied', 'cancelled')) and (kind <> 'quote' or state in ('open', 'won', "
                ."'lost'))",
        );
        Rows::check(
            'agreements',
            'agreement_whose',
            "kind = 'quote' or customer_id is not null and account_id is not null",
        );
        Rows::refuse('agreements', 'UPDATE', 'held', 'NEW.total <> OLD.total AND NEW.total < (SELECT balance FROM '
            .'held_accounts WHERE id = NEW.account_id)', 'More is paid on it than it comes to');
        Rows::refuse('held_accounts', 'UPDATE', 'agreed', "NEW.kind = 'layaway' AND NEW.balance > OLD.balance AND "
            .'NEW.balance > (SELECT total FROM agreements WHERE account_id = NEW.id)', 'More is paid on it than '
            .'it comes to');

        Schema::create('agreement_lines', static function (Blueprint $table): void {
            $table->foreignId('agreement_id')->constrained();
            $table->unsignedSmallInteger('revision');
            $table->unsignedSmallInteger('position');
            LineColumns::goods($table);
            LineColumns::discount($table);
            LineColumns::seller($table);
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('note')->default('');
            $table->foreignId('approval_id')->nullable()->constrained();
            $table->json('serials')->nullable();
            // Of orders: how the goods reach the customer.
            $table->string('way', 10)->nullable()->comment('collect, delivery, parcel');
            $table->foreignId('from_id')->nullable()->comment('where they leave')->constrained('locations');
            $table->date('wanted_on')->nullable()->comment('where it is another day than the rest');
            $table->primary(['agreement_id', 'revision', 'position']);
        });

        Schema::create('order_terms', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->json('terms')->comment('as OrderTerms writes them');
            $table->unsignedInteger('version')->default(1);
        });

        Schema::create('order_lines', static function (Blueprint $table): void {
            $table->foreignId('agreement_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->foreignId('item_id')->nullable()->constrained();
            $table->foreignId('location_id')->comment('where the goods leave')->constrained();
            $table->decimal('ordered', 14, 4);
            $table->decimal('supplied', 14, 4)->default(0);
            $table->decimal('cancelled', 14, 4)->default(0);
            $table->decimal('aside', 14, 4)->default(0)->comment('set aside for it');
            $table->decimal('missing', 14, 4)->storedAs('ordered - supplied - cancelled - aside')
                ->comment('bought for it, or waiting');
            $table->bigInteger('gross')->default(0)->comment('of what was supplied');
            $table->bigInteger('line_discount')->default(0);
            $table->bigInteger('slip_discount')->default(0);
            $table->primary(['agreement_id', 'position']);
            $table->index(['location_id', 'item_id', 'missing', 'agreement_id'], 'order_lines_waiting');
            $table->index(['item_id', 'missing']);
        });
        Rows::check(
            'order_lines',
            'order_line_parts',
            'ordered > 0 and supplied >= 0 and cancelled >= 0 and aside >= 0 and '
                .'supplied + cancelled + aside <= ordered',
        );

        Schema::create('layaway_instalments', static function (Blueprint $table): void {
            $table->foreignId('agreement_id')->constrained();
            $table->unsignedSmallInteger('revision');
            $table->unsignedSmallInteger('position');
            $table->date('due');
            $table->bigInteger('amount');
            $table->primary(['agreement_id', 'revision', 'position']);
        });

        Schema::create('agreement_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agreement_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('what', 500);
            $table->bigInteger('total_before');
            $table->bigInteger('total_after');
            $table->unsignedSmallInteger('revision');
            $table->timestamp('made_at', 3)->useCurrent();
            $table->index(['agreement_id', 'id']);
        });
        Rows::keep('agreement_changes');

        foreach (['commitments', 'item_serials'] as $table) {
            Schema::table(
                $table,
                static fn (Blueprint $table) => $table->foreign('agreement_id')->references('id')->on('agreements'),
            );
        }
    }
};
