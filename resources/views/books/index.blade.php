@extends('layout')
@section('title', 'Documents')
@section('main')
<div class="page">
    <div class="page-head"><h1>Documents</h1><span class="soft">{{ $house->currency()->code }}</span>
        <div class="end"><a class="quiet-act" href="{{ route('documents.csv', $filters) }}">Save as CSV</a></div></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('documents') }}" role="search">
        @php($filter = fn (string $name): string => old($name, $filters[$name] ?? ''))
        <div><label for="find">Anything</label><input class="form-control" id="find" name="find" size="16"
            value="{{ $filter('find') }}" autofocus aria-describedby="find-how"></div>
        <div><label for="number">Number</label><input class="form-control" id="number" name="number" size="10"
            value="{{ $filter('number') }}"></div>
        <div><label for="kind">Kind</label><select class="form-select" id="kind" name="kind">
        <option value="">all</option>@foreach(Elmstone\Books\Pages\RegisterRequest::KINDS as $kind => $words)
        <option value="{{ $kind }}" @selected($kind === $filter('kind'))>{{ $words }}</option>@endforeach</select></div>
        <div><label for="from">From</label><input class="form-control" type="date" id="from" name="from"
            value="{{ $filter('from') }}"></div>
        <div><label for="until">Until</label><input class="form-control" type="date" id="until" name="until"
            value="{{ $filter('until') }}"></div>
        <div><label for="customer">Customer</label><input class="form-control" id="customer" name="customer" size="12"
            value="{{ $filter('customer') }}"></div>
        <div><label for="total">Total</label><input class="form-control text-end" id="total" name="total" size="7"
            inputmode="decimal" value="{{ $filter('total') }}"></div>
        <div><label for="clerk">Clerk</label><select class="form-select" id="clerk" name="clerk">
        <option value="">anyone</option>@foreach($staff as $one)
        <option value="{{ $one->id }}" @selected((string) $one->id === $filter('clerk'))>{{ $one->name }}</option>
        @endforeach</select></div>
        <div><label for="tender">Paid by</label><select class="form-select" id="tender" name="tender">
        <option value="">any way</option>@foreach($tenders as $one)
        <option value="{{ $one->value }}" @selected($one->value === $filter('tender'))>{{ $one->label() }}</option>
        @endforeach</select></div>
        <div><label for="item">Item</label><input class="form-control" id="item" name="item" size="12"
            value="{{ $filter('item') }}" placeholder="code or name"></div>
        <button class="quiet-act">Find</button>
        @if(array_filter($filters) !== [])<a class="link-act" href="{{ route('documents') }}">Show all</a>@endif
        @foreach(['location', 'person'] as $kept)@if($filter($kept) !== '')<input type="hidden" name="{{ $kept }}"
            value="{{ $filter($kept) }}">@endif @endforeach
        <p class="small soft w-100 mb-0" id="find-how">Anything: a number, a name, a purchase order or job, a card’s
            last four, the number of a cheque, transfer or piece, an amount</p>
        @error('total')<p class="complaint w-100">{{ $message }}</p>@enderror
        @error('from')<p class="complaint w-100">{{ $message }}</p>@enderror
        @error('until')<p class="complaint w-100">{{ $message }}</p>@enderror
    </form>
    <x-report :report="$report" />
    {{ $documents->links() }}
</div>
@endsection
