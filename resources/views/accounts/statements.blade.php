@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Statements\StatementOptions')
@extends('layout')
@section('title', 'Statements')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('accounts') }}">Accounts</a></p>
    <div class="page-head"><h1>Statements</h1>
    <span class="soft">for every account that owes; one alone is on the account’s page</span></div>
    @include('design.messages')
    <form class="filters" method="post" action="{{ route('statements.begin') }}">@csrf
        @include('accounts.parts.statement-options', ['own' => 'as each account wants it'])
        @if($errors->has('refused'))<label class="align-self-center"><input class="form-check-input" type="checkbox"
            name="again" value="1"> again</label>@endif
        <button class="main-act narrow">Make them</button>
    </form>
    <h2 class="mt-4">Runs before</h2>
    @if($runs->isEmpty())<p class="empty">None yet.</p>@else
    <table class="ruled">
        <thead><tr><th>Made</th><th>By</th><th>As of</th><th>Lists</th><th class="figure">Accounts</th><th>State</th>
        </tr></thead>
        @foreach($runs as $run)<tr><td>
        <a href="{{ route('statements.run', $run->id) }}">{{ Show::moment($run->created_at) }}</a></td>
        <td>{{ $run->staff->name }}</td><td>{{ Show::date($run->as_of) }}</td>
        <td>{{ StatementOptions::fromArray($run->options)->words() }}</td><td class="figure">{{ $run->wanted }}</td>
        <td>{{ $run->state }}</td></tr>@endforeach
    </table>@endif
</div>
@endsection
