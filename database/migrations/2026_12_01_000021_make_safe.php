<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What lies in the safe, what is on its way to the bank, and days and months that are closed. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('lodgements', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('document_id')->unique()->constrained();
            $table->foreignId('location_id')->constrained();
            $table->string('kind', 20)->comment('paying_in, card_payout');
            $table->date('made_on');
            $table->bigInteger('cash')->default(0)->comment('minor units');
            $table->bigInteger('cheques')->default(0)->comment('minor units');
            $table->bigInteger('cards')->default(0)->comment('minor units, the fee in it');
            $table->bigInteger('fee')->default(0)->comment('minor units');
            $table->bigInteger('amount')->comment('minor units: what the bank should credit');
            $table->string('reference', 60)->default('');
            $table->index(['location_id', 'made_on']);
        });
        Rows::keep('lodgements');
        Rows::check('lodgements', 'lodged', 'amount = cash + cheques + cards - fee AND cash >= 0 AND cheques >= 0 '
            .'AND fee >= 0 AND amount > 0');

        Schema::create('lodgement_units', static function (Blueprint $table): void {
            $table->foreignId('lodgement_id')->constrained();
            $table->bigInteger('unit')->comment('minor units: a note or coin');
            $table->unsignedInteger('pieces');
            $table->primary(['lodgement_id', 'unit']);
        });
        Rows::keep('lodgement_units');

        Schema::create('lodgement_batches', static function (Blueprint $table): void {
            $table->foreignId('session_id')->primary()->constrained('till_sessions');
            $table->foreignId('lodgement_id')->constrained();
        });
        Rows::keep('lodgement_batches');

        Schema::create('lodgement_credits', static function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->foreignId('lodgement_id')->constrained();
            $table->bigInteger('amount')->comment('minor units: by so much less is on its way');
            $table->unsignedBigInteger('bank_entry_id')->nullable()->unique()->comment('of a bank’s file');
        });
        Rows::keep('lodgement_credits');

        Schema::create('safe_cheques', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->constrained();
            $table->foreignId('session_id')->constrained('till_sessions');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->unsignedSmallInteger('position')->nullable()->comment('of the tender');
            $table->string('number', 60)->default('');
            $table->string('payer')->default('');
            $table->bigInteger('amount')->comment('minor units');
            $table->foreignId('lodgement_id')->nullable()->constrained()->comment('by which it was paid in');
            $table->unique(['document_id', 'position']);
            $table->index(['location_id', 'lodgement_id']);
        });
        Rows::refuse(
            'safe_cheques',
            'UPDATE',
            'once',
            'OLD.lodgement_id IS NOT NULL OR NEW.amount <> OLD.amount',
            'A cheque is paid in once',
        );
        Rows::refuse('safe_cheques', 'DELETE', 'no_delete', null, 'A cheque is never lost from the list');

        Schema::create('safes', static function (Blueprint $table): void {
            $table->foreignId('location_id')->primary()->constrained()->comment('a row to hold while it is emptied');
        });

        Schema::create('closings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('location_id')->nullable()->constrained()->comment('null: a month, of the whole house');
            $table->date('from_day');
            $table->date('through');
            $table->foreignId('closed_by')->constrained('staff');
            $table->dateTime('closed_at', 3);
            $table->foreignId('reopened_by')->nullable()->constrained('staff');
            $table->dateTime('reopened_at', 3)->nullable();
            $table->string('reason')->default('')->comment('why it was opened again');
            $table->json('checks')->nullable()->comment('of a month: what was looked at');
            $table->index(['location_id', 'through']);
        });
        Rows::refuse(
            'closings',
            'UPDATE',
            'once',
            'OLD.reopened_at IS NOT NULL OR NEW.through <> OLD.through OR NEW.from_day <> OLD.from_day',
            'What was closed and opened again stays on record',
        );
        Rows::refuse('closings', 'DELETE', 'no_delete', null, 'A closing is never deleted');
    }
};
