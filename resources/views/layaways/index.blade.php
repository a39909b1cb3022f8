@use('Elmstone\Layaways\Pages\WorklistController')
@use('Elmstone\Layaways\Pages\WorklistTab')
@extends('layout')
@section('title', 'Layaways')
@section('main')
<div class="page">
    <div class="page-head"><h1>Layaways</h1>
    <span class="soft">{{ $report->about }}</span></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('layaways') }}" role="search">
        <div><label for="find">Number, name or phone</label><input class="form-control" id="find" name="find" size="24"
            value="{{ $find }}" autofocus></div>
        <button class="quiet-act">Find</button>
        <div class="choices" role="group" aria-label="Which">
            @foreach(WorklistTab::cases() as $one)<a href="{{ route('layaways', ['tab' => $one->value]) }}"
                @if($one === $tab && $find === '') aria-current="true"
                    @endif>{{ $one->label() }}@isset($counts[$one->value]) <span
                        class="soft">{{ $counts[$one->value] > WorklistController::COUNTED
                            ? WorklistController::COUNTED.'+' : $counts[$one->value] }}</span>@endisset</a>@endforeach
        </div>
        <a class="link-act ms-auto" href="{{ route('layaways.csv', ['tab' => $tab->value]) }}">Save as CSV</a>
    </form>
    <x-report :report="$report" />
    {{ $pages?->links() }}
</div>
@endsection
