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
            $table->string('kind', 10)->comment('layaway');
            $table->string('label', 20)->charset('ascii')->nullable()->comment('the letters of its kind and the id');
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->comment('of the slip it was made from');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('customer_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('state', 10)->default('running');
            $table->date('made_on');
            $table->date('expires_on');
            $table->unsignedSmallInteger('grace_days');
            $table->date('lapses_on')->comment('expires_on and the days of grace');
            $table->string('rhythm', 10);
            $table->json('terms')->comment('portions as agreed');
            $table->json('tax')->comment('profile, rounding and exemption as agreed');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->string('buyer', 120)->default('');
            $table->bigInteger('total');
            $table->foreignId('account_id')->unique()->constrained('held_accounts')->comment('paid and still here');
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
            "kind <> 'layaway' or state in ('running', 'ready', 'completed', 'cancelled')",
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
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('note')->default('');
            $table->foreignId('approval_id')->nullable()->constrained();
            $table->json('serials')->nullable();
            $table->primary(['agreement_id', 'revision', 'position']);
        });

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
