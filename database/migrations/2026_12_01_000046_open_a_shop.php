<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A shop that is being set up and opens, tax rates by day, rights by role, and every change of a setting on record. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop', static function (Blueprint $table): void {
            $table->timestamp('opened_at')->nullable()->comment('null: it is being set up');
            $table->json('set_up')->nullable()->comment('which steps of setting up were kept');
            $table->string('paper_foot', 500)->default('')->comment('on invoices, statements and letters');
            $table->string('paper_web', 120)->default('');
            $table->mediumText('logo')->nullable()->comment('PNG or JPEG as a data: address');
            $table->boolean('receipt_logo')->default(true);
            $table->boolean('receipt_tax_number')->default(true);
            $table->boolean('receipt_cashier')->default(true)->comment('who rang it up stands on the receipt');
            $table->string('mail_name', 120)->default('')->comment('whom mails come from; empty: the shop’s name');
            $table->string('mail_address', 190)->default('');
            $table->string('mail_reply_to', 190)->default('');
            $table->json('retention')->nullable()->comment('days by what is kept; null: as the program ships');
        });
        DB::statement('UPDATE shop SET opened_at = CURRENT_TIMESTAMP');

        Schema::table('series', static function (Blueprint $table): void {
            $table->unsignedBigInteger('first_number')->default(1);
        });
        Rows::refuse(
            'series',
            'UPDATE',
            'begin_once',
            'NEW.first_number <> OLD.first_number AND OLD.last_number >= OLD.first_number',
            'A series keeps the number it began with',
        );

        Schema::create('tax_rates', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('tax_component_id')->constrained();
            $table->date('from_date');
            $table->decimal('rate', 8, 4)->nullable()->comment('percent from that day on; null: not levied');
            $table->unique(['tax_component_id', 'from_date']);
        });
        Rows::marks('tax_rates', 'settings_state', null);

        Schema::create('role_rights', static function (Blueprint $table): void {
            $table->string('role', 20);
            $table->string('ability', 40);
            $table->boolean('may');
            $table->primary(['role', 'ability']);
        });
        Rows::marks('role_rights', 'settings_state', null);

        Schema::create('setting_changes', static function (Blueprint $table): void {
            $table->id();
            $table->string('area', 40);
            $table->string('what', 190);
            $table->text('old');
            $table->text('new');
            $table->foreignId('staff_id')->nullable()->comment('null: while it was set up')->constrained('staff');
            $table->timestamp('at', 3)->useCurrent();
            $table->index(['area', 'id']);
        });
        Rows::keep('setting_changes');
    }
};
