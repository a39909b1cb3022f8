@use('Elmstone\Books\Chart')
@extends('layout')
@section('title', 'Chart of accounts')
@section('main')
<div class="page">
    <div class="page-head"><h1>Chart of accounts</h1>@include('ledger.pages')</div>
    @include('design.messages')
    <p class="soft">Numbers and names are yours to set; they stand on every report and in every export. What an account
        is, the program knows by itself.</p>
    <table class="ruled">
        <thead><tr><th>Number</th><th>Name</th><th>What it is</th><th>Entered by hand</th><td></td></tr></thead>
        @foreach($kinds as $kind)<tbody>
            @foreach($accounts->where('kind', $kind) as $account)
            @php($form = "account-{$loop->parent->index}-{$loop->index}")
            <tr>
                <td><input form="{{ $form }}" class="form-control w-6" name="number" value="{{ $account->number }}"
                    aria-label="Number of {{ $account->name }}" maxlength="10" @cannot('post-entries') disabled
                    @endcannot></td>
                <td><input form="{{ $form }}" class="form-control" name="name" value="{{ $account->name }}"
                    aria-label="Name of account {{ $account->number }}" maxlength="120" @cannot('post-entries') disabled
                    @endcannot></td>
                <td class="align-middle">{{ $kind->words() }}</td>
                <td class="align-middle soft">{{ Chart::isKept($account->code)
                    ? 'no, it is kept one by one' : '' }}</td>
                <td class="figure">@can('post-entries')<form id="{{ $form }}" method="post"
                    action="{{ route('ledger.chart.update', $account) }}">@csrf<input type="hidden" name="version"
                    value="{{ $account->version }}"><button class="link-act">Keep</button></form>@endcan</td>
            </tr>@endforeach
        </tbody>@endforeach
    </table>
    @can('post-entries')
    <h2 class="mt-4">Another account, for entries by hand</h2>
    <form class="filters" method="post" action="{{ route('ledger.chart.store') }}" autocomplete="off">@csrf
        <div><label for="new-number">Number</label><input id="new-number" name="number" maxlength="10"
            class="form-control w-6 @error('number') is-refused @enderror" value="{{ old('number') }}">
            @include('design.complaint', ['field' => 'number', 'id' => 'new-number'])</div>
        <div><label for="new-name">Name</label><input id="new-name" name="name" maxlength="120"
            class="form-control @error('name') is-refused @enderror" value="{{ old('name') }}">
            @include('design.complaint', ['field' => 'name', 'id' => 'new-name'])</div>
        <div><label for="kind">What it is</label><select class="form-select w-auto" id="kind" name="kind">
            @foreach($kinds as $kind)<option value="{{ $kind->value }}"
                @selected(old('kind', 'expense') === $kind->value)>{{ $kind->words() }}</option>@endforeach</select>
            @error('kind')<p class="complaint" role="alert">{{ $message }}</p>@enderror
        </div>
        <button class="quiet-act">Add</button>
    </form>
    @endcan
</div>
@endsection
